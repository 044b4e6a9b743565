using Kalypto.Core.Proving;

namespace Kalypto.Core.Tests.Proving;

public sealed class DifferencesTests
{
    private static byte[] Picture(int width, int height, Func<int, int, (byte R, byte A)> pixel) =>
        [.. Enumerable.Range(0, height).SelectMany(y => Enumerable.Range(0, width).SelectMany(x => pixel(x, y) is var (r, a) ? new byte[] { r, 0, 0, a } : []))];

    [Fact]
    public void What_is_seen_as_other_on_any_ground_is_other()
    {
        static (int, int) Count((byte R, byte A) a, (byte R, byte A) b) => Differences.Of([a.R, 0, 0, a.A], [b.R, 0, 0, b.A], 1, 1) is var found ? (found.Count, found.Inked) : default;
        Assert.Equal((0, 0), Count((0, 0), (255, 0)));
        Assert.Equal((0, 1), Count((100, 255), (116, 255)));
        Assert.Equal((1, 1), Count((100, 255), (117, 255)));
        Assert.Equal((1, 1), Count((0, 100), (0, 117)));
        // A colour that is hardly there may be any.
        Assert.Equal((0, 1), Count((0, 10), (255, 10)));
    }

    [Fact]
    public void Rectangles_count_as_pixel_by_pixel()
    {
        var random = new Random(7);
        var (width, height) = (150, 20);
        var other = Enumerable.Range(0, width * height).Select(_ => random.Next(4) == 0).ToArray();
        var ink = Enumerable.Range(0, width * height).Select(i => other[i] || random.Next(2) == 0).ToArray();
        var found = Differences.Of(Picture(width, height, (x, y) => (0, ink[y * width + x] ? (byte)255 : (byte)0)), Picture(width, height, (x, y) => (other[y * width + x] ? (byte)200 : (byte)0, ink[y * width + x] ? (byte)255 : (byte)0)), width, height);
        Assert.Equal(other.Count(o => o), found.Pixels().Count());
        Assert.All(found.Pixels(), p => Assert.True(other[p.Y * width + p.X]));
        for (var i = 0; i < 200; i++)
        {
            var (left, top) = (random.Next(-5, width), random.Next(-5, height));
            var box = new PixelBox(left, top, left + random.Next(0, 140), top + random.Next(0, 12));
            var within = Enumerable.Range(0, width * height).Where(p => p % width >= box.Left && p % width < box.Right && p / width >= box.Top && p / width < box.Bottom).ToList();
            Assert.Equal((within.Count(p => other[p]), within.Count(p => ink[p])), found.CountIn(box));
            Assert.Equal(found.Count - within.Count(p => other[p]), found.Without(box).Count);
        }
    }
}
