using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>The SVG that is written of a layer looks in a browser as its own drawing does there, whichever engine draws its pixels.</summary>
public sealed class WrittenFeatureTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const double Most = 0.02;
    private const int Side = 212;

    // Begins elsewhere than the drawing, so that all that is written is moved.
    private static readonly Box Crop = new(-2.5, -4, 106, 106);

    // A browser prints these a part of a pixel from where it draws them.
    private const double Nothing = 0.001;
    private static readonly HashSet<string> AsLines = ["vertical writing", "underline that waves", "text of a pattern"];
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    public static TheoryData<string> Names => new(Features.All.Keys);

    [Theory]
    [MemberData(nameof(Names))]
    public async Task A_written_file_shows_what_the_drawing_shows(string feature)
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' viewBox='0 0 100 100'>{Features.All[feature]}</svg>");
        exact.Add(file);
        var drawing = SvgReader.Read(file, "Drawing");
        var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
        // As proof would have it where nothing in it is known to need the exact engine.
        var isExact = !isolation.Beyond.IsEmpty || (await exact.BesideABrowserAsync(isolation, drawing.Box, 2, cancel)).Share > Most / 2;
        var (there, here, svg) = await exact.WrittenBesideABrowserAsync(isolation, Crop, Side, Side, isExact, cancel);
        var other = Differences.Of(there, here, Side, Side);
        Assert.True(AsLines.Contains(feature) ? Elsewhere(there, here) < Nothing : other.Share <= Most, $"{other.Share:P1} of its ink is other: {svg[..Math.Min(600, svg.Length)]}");
        // Readers that are no browsers know shapes of SVG alone.
        Assert.DoesNotMatch(@"clip-path[=:]""?(circle|inset|polygon|ellipse)", svg);
    }

    // The share of ink that has none within a pixel of it in the other picture.
    private static double Elsewhere(byte[] a, byte[] b)
    {
        static bool IsInk(byte[] rgba, int x, int y) => rgba[(y * Side + x) * 4 + 3] > 127;
        static bool IsNear(byte[] rgba, int x, int y) => Enumerable.Range(-1, 3).Any(dy => Enumerable.Range(-1, 3).Any(dx =>
            x + dx is >= 0 and < Side && y + dy is >= 0 and < Side && IsInk(rgba, x + dx, y + dy)));
        var (ink, lost) = (0, 0);
        for (var i = 0; i < Side * Side; i++)
        {
            var (x, y) = (i % Side, i / Side);
            ink += IsInk(a, x, y) ? 1 : 0;
            lost += IsInk(a, x, y) && !IsNear(b, x, y) || IsInk(b, x, y) && !IsNear(a, x, y) ? 1 : 0;
        }
        return (double)lost / Math.Max(1, ink);
    }
}
