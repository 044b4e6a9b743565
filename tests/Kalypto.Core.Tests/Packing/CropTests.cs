using CsCheck;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Packing;

public class CropTests
{
    private static readonly Box Screen = new(0, 0, 375, 812);
    private static readonly CropKind Ink = new CropKind.Ink();

    [Fact]
    public void The_worked_example_holds()
    {
        // x 10.3, width 23.4 -> from 10 to 34 -> 24 pt -> 24, 48, 72 px; at 0.75 18 px, at 1.5 36 px.
        var crop = Crop.Of(Ink, 0, new(10.3, 0, 23.4, 10), new(10.3, 0, 23.4, 10), Screen)!;
        Assert.Equal(new Box(10, 0, 24, 10), crop.Box);
        Assert.Equal([24, 48, 72, 18, 36], new[] { 1, 2, 3, 0.75, 1.5 }.Select(s => new Scale(s).Pixels(crop.Box.Width)));
        Assert.Equal(19, new Scale(0.75).Pixels(25));
    }

    [Theory]
    [InlineData("ink", 0, 8, 18, 34, 44)]
    [InlineData("shape", 0, 10, 20, 30, 40)]
    [InlineData("screen", 0, 0, 0, 375, 812)]
    [InlineData("40x50", 0, 5, 15, 40, 50)]
    [InlineData("40x50@top-left", 0, 10, 20, 40, 50)]
    [InlineData("40x50@bottom-right", 0, 0, 10, 40, 50)]
    [InlineData("40x50@right", 0, 0, 15, 40, 50)]
    [InlineData("40x50@-3,4", 0, 7, 24, 40, 50)]
    [InlineData("ink", 2.5, 5, 15, 40, 50)]
    public void Every_kind_of_crop_is_where_it_belongs(string kind, double bleed, double x, double y, double w, double h) =>
        Assert.Equal(new Box(x, y, w, h), Crop.Of(CropKind.Parse(kind)!, bleed, new(10, 20, 30, 40), new(8, 18, 34, 44), Screen)!.Box);

    [Fact]
    public void A_fixed_box_tells_when_ink_does_not_fit()
    {
        Box shape = new(10, 10, 27.4, 28);
        Assert.False(Crop.Of(new CropKind.Fixed(28, 28), 0, shape, shape, Screen)!.Cut);
        Assert.True(Crop.Of(new CropKind.Fixed(28, 28), 0, shape, shape.Inflate(2), Screen)!.Cut);
    }

    [Fact]
    public void A_box_put_by_hand_lies_where_it_was_put_from_the_shapes_corner_on_whole_points()
    {
        Box shape = new(10.6, 20.3, 17, 17);
        var (left, top) = Crop.CornerOf(shape);
        Assert.Equal((10, 20), (left, top));
        Assert.Equal(new Box(left - 4, top + 2, 24, 24), Crop.Of(new CropKind.Fixed(24, 24, new BoxPlace.Corner(-4, 2)), 0, shape, shape, Screen)!.Box);
    }

    [Fact]
    public void Nothing_visible_gives_no_crop() => Assert.Null(Crop.Of(Ink, 0, new(1, 1, 5, 5), null, Screen));

    [Fact]
    public void Crops_lie_on_whole_points_and_cut_nothing_off() => Gen.Select(
        Gen.Double[-500, 500], Gen.Double[-500, 500], Gen.Double[0.1, 900], Gen.Double[0.1, 900], Gen.Int[0, 12]).Sample((x, y, w, h, bleed) =>
    {
        Box ink = new(x, y, w, h);
        var box = Crop.Of(Ink, bleed, ink, ink, Screen)!.Box;
        Assert.All([box.X, box.Y, box.Width, box.Height], n => Assert.Equal(Math.Round(n), n));
        // 0.01 pt is the tolerance of snapping.
        Assert.True(box.X <= x - bleed + 0.011 && box.Right >= ink.Right + bleed - 0.011);
        Assert.True(box.Width < w + 2 * bleed + 2 && box.Height < h + 2 * bleed + 2);
        foreach (var scale in new[] { 1, 2, 3 })
        {
            Assert.Equal(scale * (int)box.Width, new Scale(scale).Pixels(box.Width));
        }
    });
}
