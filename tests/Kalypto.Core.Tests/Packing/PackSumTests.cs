using CsCheck;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Apple;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Packing;

public class PackSumTests
{
    private static readonly Box Shape = new(10, 10, 24, 24);

    private static Pack Plan(params (string Layer, string Tags)[] ships) => new PackPlanner(new("engine"), _ => new Look(Shape, null)).Plan(
        [Svg.Design(string.Concat(ships.Select(s => $"<path id='{s.Layer}'/>")), Shape, [.. ships.Select(s => (s.Layer, new Mark(Decision.Ship, null, Tags.Parse(s.Tags))))])],
        [new WebPlatform(), new ApplePlatform()]);

    private static (long Bytes, bool IsEstimate) Weigh(PlannedFile file) => (file.Width, file.Platform == "web");

    [Fact]
    public void Folders_hold_what_lies_below_them_and_an_image_set_is_no_folder()
    {
        var pack = Plan(("bell", "picture png scale:1x to:icons/nav"), ("moon", "picture png scale:1x,2x to:icons"));
        Assert.Equal([
            ("", 6, 192, true), ("apple", 3, 96, false), ("apple/Assets.xcassets", 3, 96, false), ("apple/Assets.xcassets/icons", 3, 96, false),
            ("apple/Assets.xcassets/icons/nav", 1, 24, false), ("web", 3, 96, true), ("web/icons", 3, 96, true), ("web/icons/nav", 1, 24, true),
        ], PackSum.Folders(pack.Files, Weigh).Select(s => (s.Name, s.Files, (int)s.Bytes, s.IsEstimate)));
    }

    [Fact]
    public void Sums_add_up_to_the_whole_however_they_are_taken() => Gen.Select(Gen.Int[0, 3], Gen.Int[0, 3], Gen.Int[1, 3]).Array[1, 6].Sample(layers =>
        {
            var pack = Plan([.. layers.Select((l, i) => ($"layer {i}", $"{Kinds.All[l.Item1]} {(l.Item2 > 0 ? $"to:{"a/b/c"[..(l.Item2 * 2 - 1)]}" : "")} {(l.Item3 > 1 ? $"wide:{l.Item3 * 100}" : "")}"))]);
            var all = pack.Files.Sum(f => (long)f.Width);
            foreach (Func<PlannedFile, string> of in new Func<PlannedFile, string>[] { f => f.Platform, f => f.Format.Name, f => f.Picture.Making.Kind })
            {
                var sums = PackSum.By(pack.Files, of, Weigh);
                Assert.Equal((all, pack.Files.Length), (sums.Sum(s => s.Bytes), sums.Sum(s => s.Files)));
                Assert.Equal(sums.Select(s => s.Bytes).OrderDescending(), sums.Select(s => s.Bytes));
            }
            var folders = PackSum.Folders(pack.Files, Weigh);
            Assert.Equal((all, pack.Files.Length), (folders[0].Bytes, folders[0].Files));
            Assert.All(folders, f => Assert.Equal(
                pack.Files.Where(p => f.Name.Length == 0 || p.Path.StartsWith(f.Name + "/", StringComparison.Ordinal)).Sum(p => (long)p.Width), f.Bytes));
        }, iter: 60);
}
