using CsCheck;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Encoders;

namespace Kalypto.Drawing.Tests;

public class PngEncoderTests
{
    // Pictures of every sort that the encoder treats in its own way: few and many colours, gray or not, opaque or not.
    private static readonly Gen<(int Width, int Height, byte[] Rgba)> Picture = Gen.Select(
        Gen.Int[1, 40], Gen.Int[1, 40], Gen.Int[1, 400], Gen.Bool, Gen.Bool, Gen.OneOf(Gen.Const(255), Gen.Const(85), Gen.Const(17), Gen.Const(1)), Gen.Int)
        .Select((width, height, colours, gray, opaque, step, seed) =>
        {
            var random = new Random(seed);
            var palette = Enumerable.Range(0, colours).Select(_ =>
            {
                var v = (byte)(random.Next(256) / step * step);
                return new[] { v, gray ? v : (byte)random.Next(256), gray ? v : (byte)random.Next(256), opaque ? (byte)255 : (byte)random.Next(256) };
            }).ToArray();
            return (width, height, Enumerable.Range(0, width * height).SelectMany(_ => palette[random.Next(colours)]).ToArray());
        });

    [Fact]
    public void Every_pixel_comes_back_and_equal_pixels_give_equal_bytes() => Picture.Sample(p =>
    {
        foreach (var effort in new[] { Effort.Quick, Effort.Best })
        {
            var file = PngEncoder.Encode(p.Rgba, p.Width, p.Height, effort);
            var (width, height, rgba) = PngReader.Read(file);
            Assert.Equal((p.Width, p.Height), (width, height));
            Assert.Equal(p.Rgba, rgba);
            Assert.Equal(file, PngEncoder.Encode(p.Rgba, p.Width, p.Height, effort));
        }
    }, iter: 150);

    [Theory]
    [InlineData(2, 3, 1)]
    [InlineData(200, 3, 8)]
    [InlineData(300, 6, 8)]
    public void The_smallest_layout_is_taken(int colours, int type, int depth)
    {
        var random = new Random(1);
        var palette = Enumerable.Range(0, colours).Select(i => new[] { (byte)i, (byte)(i >> 4), (byte)(255 - i), (byte)(i % 7 * 36) }).ToArray();
        var rgba = Enumerable.Range(0, 300 * 300).SelectMany(_ => palette[random.Next(colours)]).ToArray();
        var file = PngEncoder.Encode(rgba, 300, 300, Effort.Best);
        Assert.Equal((depth, type), (file[24], file[25]));
    }
}
