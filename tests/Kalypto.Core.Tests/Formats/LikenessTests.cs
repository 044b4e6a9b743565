using Kalypto.Core.Formats;

namespace Kalypto.Core.Tests.Formats;

public class LikenessTests
{
    private static byte[] Picture(Func<int, int, (int R, int G, int B, int A)> at) => [.. Enumerable.Range(0, 32 * 32).SelectMany(i => at(i % 32, i / 32) is var (r, g, b, a)
        ? new[] { (byte)r, (byte)g, (byte)b, (byte)a } : [])];

    private static readonly byte[] Waves = Picture((x, y) => (128 + (int)(90 * Math.Sin(x * .7)), 128 + (int)(90 * Math.Cos(y * .5)), x * 8, 255));

    [Fact]
    public void A_picture_is_most_like_itself_and_less_like_what_is_changed_more()
    {
        Assert.Equal(1, Likeness.Of(Waves, Waves, 32, 32), 9);
        byte[] Noisy(int by) => [.. Waves.Select((v, i) => i % 4 == 3 ? v : (byte)Math.Clamp(v + (i * 7919 % (2 * by + 1)) - by, 0, 255))];
        var (little, much) = (Likeness.Of(Waves, Noisy(3), 32, 32), Likeness.Of(Waves, Noisy(40), 32, 32));
        Assert.True(little > Likeness.Same && much < Likeness.Same && much < little, $"{little} {much}");
    }

    [Fact]
    public void What_only_shows_on_dark_counts_too()
    {
        var clear = Picture((x, y) => (255, 255, 255, 0));
        var white = Picture((x, y) => (255, 255, 255, (x / 4 + y / 4) % 2 * 255));
        Assert.True(Likeness.Of(clear, white, 32, 32) < 0.5);
        Assert.Equal((255, 0.5), Likeness.Difference(clear, white, 6));
    }

    [Theory]
    [InlineData("jpeg:60", true)]
    [InlineData("webp:lossless", true)]
    [InlineData("avif:<40kB", true)]
    [InlineData("gif:60", false)]
    [InlineData("svg:auto", false)]
    [InlineData("bmp", false)]
    public void An_ask_reads_back_as_it_was_written(string text, bool isAsk)
    {
        Assert.Equal(isAsk ? text : null, FormatAsk.Parse(text)?.ToString());
    }
}
