using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Desk;
using Kalypto.Application.Editing;
using Kalypto.Application.Fonts;
using Kalypto.Core.Fonts;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>Fonts of a project: what they draw is measured and drawn anew, and nothing else.</summary>
public class FontTests
{
    private const string Texts = "<text id='title' width='90' height='20' font-family='Figtree'>Tonight</text><text id='note' y='40' width='90' height='20' font-family='Inter'>at ten</text><rect id='dome' y='90' width='50' height='20'/>";
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static byte[] Figtree => File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "../../../../../demo/fonts/Figtree_400Regular.ttf"));

    [Fact]
    public async Task A_font_makes_new_what_asks_for_it_and_undo_brings_back_what_was()
    {
        var renderer = new PaperRenderer();
        await using var kalypto = await Running.StartAsync(renderer);
        var project = await kalypto.ProjectAsync(Texts, ("title", "picture -webp png scale:1x"), ("note", "picture -webp png scale:1x"), ("dome", "picture -webp png scale:1x"));
        var first = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.Equal((3, 3), (first.Total, first.Drawn));

        // Dropped like a drawing; a second time it changes nothing.
        var added = Assert.IsType<BroughtIn.Lettered>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "Figtree.ttf", Figtree, "Figtree.ttf", cancel));
        Assert.True(added.IsNew);
        Assert.False(Assert.IsType<BroughtIn.Lettered>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "again.ttf", Figtree, "again.ttf", cancel)).IsNew);
        var lettered = await kalypto.OpenAsync(project);
        Assert.Equal((180, 90), (WidthOf(lettered, "title"), WidthOf(lettered, "note")));
        var second = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.Equal((3, 1), (second.Total, second.Drawn));
        Assert.Contains($"with {added.Fonts[0].Sha256}", (await kalypto.FilesAsync(second.Id))["web/title.png"], StringComparison.Ordinal);

        // Whoever starts now, or draws what was said then, finds the same.
        await using (var other = await Running.StartAsync(new(), kalypto.DatabaseName, draws: false, drops: false))
        {
            Assert.Equal(180, WidthOf(await other.OpenAsync(project), "title"));
        }
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), cancel)).IsDone);
        Assert.Equal(90, WidthOf(await kalypto.OpenAsync(project), "title"));
        var third = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.Equal(0, third.Drawn);
        Assert.Equal((await kalypto.FilesAsync(first.Id))["web/title.png"], (await kalypto.FilesAsync(third.Id))["web/title.png"]);
    }

    [Fact]
    public async Task A_build_that_began_with_a_font_ends_with_it()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Texts, ("title", "picture -webp png scale:1x"));
        Assert.IsType<BroughtIn.Lettered>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "Figtree.ttf", Figtree, "Figtree.ttf", cancel));
        var build = await kalypto.BuildAsync(project);
        var visit = await kalypto.VisitAsync(project);
        Assert.True((await kalypto.Get<KeepFonts>().RemoveAsync(visit, FontBook.Read(visit.Workspace.Row.Fonts).Fonts[0], cancel)).IsDone);
        // Cleaning takes no file of a font that may be put back.
        await kalypto.Get<CleaningStore>().CleanAsync(new() { Grace = TimeSpan.Zero }, cancel);
        await using var drawer = await Running.StartAsync(new(), kalypto.DatabaseName, drops: false);
        Assert.Equal("done", (await kalypto.EndedAsync(build)).State);
        Assert.Contains("180 x 20", (await kalypto.FilesAsync(build))["web/title.png"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Fonts_come_in_a_zip_with_drawings_and_never_alone()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        Assert.IsType<BroughtIn.FontAlone>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada), "Figtree.ttf", Figtree, "Figtree.ttf", cancel));
        Assert.IsType<BroughtIn.FontRefused>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, await kalypto.ProjectAsync("<rect id='a' width='9' height='9'/>")), "Figtree.ttf", Figtree[..9000], "Figtree.ttf", cancel));
        using var zip = new MemoryStream();
        using (var archive = new System.IO.Compression.ZipArchive(zip, System.IO.Compression.ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, bytes) in new[] { ("a font.ttf", Figtree), ("screens.svg", Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 400'>{Texts}</svg>")) })
            {
                await using var entry = await archive.CreateEntry(name).OpenAsync(cancel);
                await entry.WriteAsync(bytes, cancel);
            }
        }
        var target = new Target(Running.Ada);
        var told = await kalypto.Get<BringIn>().FilesAsync(target, "all.zip", zip.ToArray(), cancel).Where(t => t is not BroughtIn.Measuring).ToListAsync(cancel);
        Assert.IsType<BroughtIn.Read>(told[0]);
        Assert.IsType<BroughtIn.Lettered>(told[1]);
        Assert.Equal(180, WidthOf(await kalypto.OpenAsync(target.Project!.Value), "title"));
    }

    private static double WidthOf(Opening.Workspace workspace, string layer) => workspace.States[0] is var state ? state.Measured.ShapeOf(state.Layers.First(l => l.Name == layer))!.Value.Width : 0;
}
