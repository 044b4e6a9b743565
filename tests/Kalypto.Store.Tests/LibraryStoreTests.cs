using Kalypto.Core.Designs;
using Kalypto.Core.Library;

namespace Kalypto.Store.Tests;

/// <summary>What was delivered stays in the library as it was last.</summary>
[Collection(DatabaseFixture.OneAfterTheOther)]
public class LibraryStoreTests(DatabaseFixture fixture)
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static ShippedLayer Bell(int design, string drawing, params string[] platforms) =>
        new(design, 3, $"{design}:3", Fingerprint.Of(drawing).Hex, drawing, "bell", "Tonight", "icon", "icon", 24, 24, [.. platforms]);

    [Fact]
    public async Task A_layer_is_what_its_newest_delivery_says_for_all_platforms_that_it_ever_had()
    {
        var (library, builds) = (new LibraryStore(fixture.Database), new BuildStore(fixture.Database));
        var project = await new ProjectStore(fixture.Database).AddAsync("Shelf", ["web"], Actor.Local("ada", "Ada"), cancel);
        var design = (await new DesignStore(fixture.Database).AddAsync(new(project, Actor.Local("ada", "Ada")), new("Tonight", 1, "tonight.svg", [1, 2], [null]), cancel))!.Value;
        async Task<int> BuildAsync()
        {
            var build = await builds.AddAsync(project, 1, "", "{}", new((await new ProjectStore(fixture.Database).FindAsync(project, cancel))!, []), TimeSpan.FromMinutes(1), cancel);
            Assert.True(await builds.EndAsync(build, "done", null, [], cancel));
            return build;
        }
        var (first, second) = (await BuildAsync(), await BuildAsync());
        await library.ShelveAsync(second, project, [Bell(design, "new", "web")], cancel);
        // An older one that comes late, and the same once more, change nothing.
        await library.ShelveAsync(first, project, [Bell(design, "old", "android")], cancel);
        await library.ShelveAsync(second, project, [Bell(design, "new", "web")], cancel);
        Assert.Equal(("new", second, second), (await library.FindAsync(design, 3, cancel)) is { } found ? (found.Name, found.Since!.Build, found.Newest!.Build) : default);
        var third = await BuildAsync();
        await library.ShelveAsync(third, project, [Bell(design, "newer", "apple")], cancel);
        found = (await library.FindAsync(design, 3, cancel))!;
        Assert.Equal(("newer", second, third, "apple web"), (found.Name, found.Since!.Build, found.Newest!.Build, string.Join(' ', found.Platforms)));
        Assert.DoesNotContain(third, await library.UnshelvedAsync(cancel));

        Assert.Equal([found.Drawing], await library.UnseenAsync([found.Drawing], cancel));
        await library.KeepLookAsync(found.Drawing, [9, 9], new(new(1, 2, 1.5), [new("#c8281e", 0.5)]), cancel);
        Assert.Empty(await library.UnseenAsync([found.Drawing], cancel));
        Assert.Equal([9, 9], await library.PictureAsync(found.Drawing, cancel));
        var look = (await library.FindAsync(design, 3, cancel))!.Look!;
        Assert.Equal((new PictureHash(1, 2, 1.5), new MainColour("#c8281e", 0.5)), (look.Hash!.Value, Assert.Single(look.Colours)));
        // Its small picture is content that is used.
        await new CleaningStore(fixture.Database).CleanAsync(new() { Grace = TimeSpan.Zero }, cancel);
        Assert.Equal([9, 9], await library.PictureAsync(found.Drawing, cancel));
        await library.KeepLookAsync(Fingerprint.Of("blank").Hex, null, null, cancel);
        Assert.Null(await library.PictureAsync(Fingerprint.Of("blank").Hex, cancel));
    }
}
