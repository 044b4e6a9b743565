using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Isolating;
using Kalypto.Drafts;

namespace Kalypto.Drawing.Tests;

public class WrittenDrawingTests
{
    private const int Scale = 4;
    private const int Side = 48 * Scale;
    private const int Visible = 24;

    // Drawings that are the same in every run: one in ten thousand differs in how renderers draw what no designer would (a stroke that is
    // far wider than what it goes around). Others are tried with another first number in KALYPTO_FIRST_DRAWING.
    private static readonly int First = int.Parse(Environment.GetEnvironmentVariable("KALYPTO_FIRST_DRAWING") ?? "0", CultureInfo.InvariantCulture);

    // So many pixels of edges and hair lines may round to the next one.
    private const int Edge = 24;

    /// <summary>How many pixels visibly differ, and how many there are with ink.</summary>
    private static (int Far, int Ink) Difference(string a, string b)
    {
        using var first = Canvas.Draw(a, Side, Side);
        using var second = Canvas.Draw(b, Side, Side);
        var x = first.ToRgba();
        var y = second.ToRgba();
        var (far, ink) = (0, 0);
        for (var i = 0; i < x.Length; i += 4)
        {
            if (x[i + 3] == 0 && y[i + 3] == 0)
            {
                continue;
            }
            ink++;
            var worst = Math.Abs(x[i + 3] - y[i + 3]);
            for (var c = 0; c < 3; c++)
            {
                worst = Math.Max(worst, Math.Abs(x[i + c] * x[i + 3] - y[i + c] * y[i + 3]) / 255);
            }
            far += worst > Visible ? 1 : 0;
        }
        return (far, ink);
    }

    [Fact]
    public void Whatever_is_drawn_is_written_short_and_looks_the_same() => Parallel.For(First, First + 600, seed =>
    {
        var inside = new AnyDrawing(seed).Inside();
        var drawing = RendererFixture.Read(inside);
        var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
        var crop = new Box(0, 0, 48, 48);
        var written = SvgExport.Of(isolation, crop, 48, 48);
        var (far, ink) = Difference(isolation.Document(crop, Side, Side), written);
        Assert.True(far <= Math.Max(Edge, ink / 50), $"{far} of {ink} px differ in drawing {seed}\n{inside[(inside.IndexOf("</style>", StringComparison.Ordinal) + 8)..]}\nwritten as\n{written}");
    });

    [Fact]
    public void Whatever_can_be_an_android_vector_looks_the_same_drawn_back()
    {
        var written = 0;
        Parallel.For(First, First + 1_500, seed =>
        {
            var inside = new AnyDrawing(seed).Inside();
            var drawing = RendererFixture.Read(inside);
            var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
            var crop = new Box(0, 0, 48, 48);
            // How the renderer counts clips from a box is no measure.
            if (inside[inside.IndexOf("</style>", StringComparison.Ordinal)..].Contains("#half", StringComparison.Ordinal))
            {
                return;
            }
            if (VectorDrawable.Of(isolation, crop, 48, 48).Text is not { } vector)
            {
                return;
            }
            Interlocked.Increment(ref written);
            var (far, ink) = Difference(isolation.Document(crop, Side, Side), VectorReader.ToSvg(vector).Replace("width='48' height='48'", $"width='{Side}' height='{Side}'", StringComparison.Ordinal));
            Assert.True(far <= Math.Max(Edge, ink / 50), $"{far} of {ink} px differ in drawing {seed}\n{inside[(inside.IndexOf("</style>", StringComparison.Ordinal) + 8)..]}\nwritten as\n{vector}");
        });
        Assert.True(written > 40, $"only {written} could be one");
    }
}
