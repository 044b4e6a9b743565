using System.Collections.Immutable;
using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>Screens in other people's ways of writing come out as a browser shows them, layer by layer, once they are proved. None is silently otherwise.</summary>
public sealed class ExportTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const double Most = 0.02;

    // What engines round differently at the edges of small layers.
    private const int FewPixels = 6;
    private static readonly bool IsWhole = Environment.GetEnvironmentVariable("KALYPTO_WHOLE") == "1";
    private static readonly int[] Scales = IsWhole ? [1, 2, 3] : [2];
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    // All of them with KALYPTO_WHOLE=1.
    public static TheoryData<string> Names => new(IsWhole ? Exports.All.Keys : Exports.All.Keys.Where((_, i) => i % 2 == 0));

    [Theory]
    [MemberData(nameof(Names))]
    public async Task Every_layer_is_a_browsers_or_is_drawn_by_one(string export)
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes(Exports.All[export]);
        exact.Add(file);
        var drawing = SvgReader.Read(file, "Drawing");
        var measured = new MeasuredDrawing(drawing, await exact.Renderer.MeasureAsync(drawing, null, cancel));
        var (proof, failure) = await Proof.OfAsync(exact.Renderer, measured, drawing.Screens[0], cancel);
        Assert.Null(failure);
        Assert.True(proof!.Equal > 0.99, $"{proof.Equal:P2} is equal");
        var keys = new DrawingKeys(exact.Renderer.FontsOf, exact.Renderer.Exact,
            proof.Layers.GroupBy(l => drawing.Layers[l.Ordinal].Element.Fingerprint).ToDictionary(g => g.Key, g => g.Max(l => l.Share)));
        var wrong = new List<string>();
        foreach (var layer in drawing.Layers.Where(l => !l.HiddenHere && measured.ShapeOf(l) is { IsEmpty: false }))
        {
            var isolation = measured.Isolate(layer, ImmutableHashSet<int>.Empty);
            if (keys.IsExact(isolation))
            {
                continue;
            }
            var crop = measured.ShapeOf(layer)!.Value.Inflate(2).SnapOutwards(0);
            foreach (var scale in Scales)
            {
                var found = await exact.BesideABrowserAsync(isolation, crop, scale, cancel);
                if (found.Share > Most && found.Count > FewPixels)
                {
                    wrong.Add($"{layer.Name} {found.Share:P1} ({found.Count} px) at {scale}x");
                }
            }
        }
        // Its SVG too, which is written as a browser understands it where anything in it is drawn by one.
        var (whole, (wide, tall)) = (measured.Isolate(drawing.Layers[0], ImmutableHashSet<int>.Empty), ((int)drawing.Box.Width, (int)drawing.Box.Height));
        var (there, here, svg) = await exact.WrittenBesideABrowserAsync(whole, drawing.Box, wide, tall, keys.IsExact(whole), cancel);
        if (Differences.Of(there, here, wide, tall) is { Share: > Most } other)
        {
            wrong.Add($"its SVG {other.Share:P1} ({other.Count} px)");
        }
        Assert.True(wrong.Count == 0, string.Join("; ", wrong));
    }
}
