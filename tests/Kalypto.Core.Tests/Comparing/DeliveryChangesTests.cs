using System.Text;
using System.Text.Json;
using Kalypto.Core.Comparing;

namespace Kalypto.Core.Tests.Comparing;

/// <summary>Deliveries are compared by what their files are, not by what they are called.</summary>
public class DeliveryChangesTests
{
    private static DeliveredFile File(string identity, string path, char content, long bytes = 10, int width = 0) => new(identity, path, new(content, 64), bytes) { Platform = "web", Width = width, Height = width };

    private static readonly DeliveredFile[] First =
    [
        File("1:4 web png 1x", "web/bell.png", 'a', 100, 24), File("1:4 web png 2x", "web/bell@2x.png", 'b'), File("1:7 web svg 1x", "web/moon.svg", 'c'), File("1:9 web svg 1x", "web/sun.svg", 'd'),
        File("beside manifest.json", "manifest.json", 'e'), File("path web/old.png", "web/old.png", 'f'),
    ];

    [Fact]
    public void Equal_deliveries_differ_in_nothing() => Assert.True(DeliveryChanges.Of(First, [.. First.Reverse()]).IsNothing);

    [Fact]
    public void A_picture_that_is_made_for_another_of_its_places_is_the_same_file_under_another_name()
    {
        var changes = DeliveryChanges.Of([File("1:4 web svg 1x", "web/moon.svg", 'a') with { Kind = "icon" }], [File("1:9 web svg 1x", "web/tab-moon.svg", 'a') with { Kind = "icon" }, File("1:11 web svg 1x", "web/z.svg", 'a') with { Kind = "icon" }]);
        Assert.Equal(["web/tab-moon.svg", "web/z.svg"], changes.Files.Select(f => f.File.Path));
        Assert.Equal((true, true), (changes.Files[0].IsRenamed, changes.Files[1].IsNew));
    }

    [Fact]
    public void A_folder_that_is_called_after_its_picture_is_renamed_with_it()
    {
        var change = Assert.Single(DeliveryChanges.Of([File("1:4 apple png 1x", "apple/icons/bell.imageset/bell@2x.png", 'a')], [File("1:4 apple png 1x", "apple/icons/alarm.imageset/alarm@2x.png", 'a')]).Files);
        Assert.True(change.IsRenamed && !change.IsMoved);
    }

    [Fact]
    public void A_rename_is_a_rename_and_a_file_of_before_identities_is_found_by_its_path()
    {
        var changes = DeliveryChanges.Of(First,
        [
            File("1:4 web png 1x", "web/alarm.png", 'a', 100, 24), File("1:4 web png 2x", "web/alarm@2x.png", 'x', 30), File("1:7 web svg 1x", "web/night/moon.svg", 'c'), File("1:11 web svg 1x", "web/comet.svg", 'g'),
            File("beside manifest.json", "manifest.json", 'z'), File("1:12 web png 1x", "web/old.png", 'f'),
        ]);
        Assert.Equal(
            "manifest.json changed; web/alarm.png renamed; web/alarm@2x.png changed renamed; web/comet.svg new; web/night/moon.svg moved; web/old.png same; web/sun.svg gone",
            string.Join("; ", changes.Files.Select(f => $"{f.File.Path}{(f.IsSame ? " same" : "")}{(f.IsNew ? " new" : "")}{(f.IsGone ? " gone" : "")}{(f.IsChanged ? " changed" : "")}{(f.IsRenamed ? " renamed" : "")}{(f.IsMoved ? " moved" : "")}")));
        var list = new ChangeList("Larkrise", 1, 2, "icons", changes);
        using var json = JsonDocument.Parse(list.Json());
        Assert.Equal((2, 1, 6), (json.RootElement.GetProperty("to").GetInt32(), json.RootElement.GetProperty("same").GetInt32(), json.RootElement.GetProperty("files").GetArrayLength()));
        Assert.Contains("- `web/alarm@2x.png` (was `web/bell@2x.png`, 10 B to 30 B)", list.Markdown(), StringComparison.Ordinal);
        // Of pictures it says the layer, the screen and what is different, with a picture; names are words, not marks.
        var bell = File("1:4 web png 1x", "web/a b/bell.png", 'a', 100, 24) with { Kind = "icon", Layer = "bell\n*new*", Screen = "Tonight" };
        var told = new ChangeList("Larkrise", 1, 2, "", DeliveryChanges.Of([bell, bell with { Identity = "1:5 web png 1x", Path = "web/moon.png", Layer = "moon" }],
            [bell with { Sha256 = new('b', 64) }, bell with { Identity = "1:5 web png 1x", Path = "web/moon.png", Layer = "moon", Sha256 = new('b', 64), Width = 48, Height = 48 }]))
        {
            Redrawn = new Dictionary<string, Redrawing> { ["1:4"] = Redrawing.Paints },
        };
        Assert.Contains("- <img src=\"web/a%20b/bell.png\" height=\"24\" alt=\"\"> **bell \\*new\\*** on Tonight: other colours\n  - `web/a b/bell.png` (100 B to 100 B)\n", told.Markdown(), StringComparison.Ordinal);
        Assert.Contains("**moon** on Tonight: another size\n", told.Markdown(), StringComparison.Ordinal);
        Assert.Contains("\"redrawn\": \"paints\"", Encoding.UTF8.GetString(told.Json()), StringComparison.Ordinal);
        Assert.Contains("## Gone (1)", list.Markdown(), StringComparison.Ordinal);
        Assert.Equal(list.Json(), new ChangeList("Larkrise", 1, 2, "icons", changes).Json());
        Assert.DoesNotContain('\r', Encoding.UTF8.GetString(list.Json()));
    }
}
