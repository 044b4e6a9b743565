using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>What comes out of a layer is what a browser shows of it, whichever engine draws it. None is silently otherwise.</summary>
public sealed class FeatureTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const double Most = 0.02;
    // All of them with KALYPTO_WHOLE=1.
    private static readonly int[] Scales = Environment.GetEnvironmentVariable("KALYPTO_WHOLE") == "1" ? [1, 2, 3] : [2];
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    public static TheoryData<string> Names => new(Features.All.Keys);

    [Theory]
    [MemberData(nameof(Names))]
    public async Task A_layer_comes_out_as_a_browser_shows_it(string feature)
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' viewBox='0 0 100 100'>{Features.All[feature]}</svg>");
        var drawing = SvgReader.Read(file, "Drawing");
        var layer = drawing.Layers.First(l => l.Name == "x");
        var isolation = Isolation.Of(drawing, layer);
        exact.Add(file);
        foreach (var scale in Scales)
        {
            var other = (await exact.BesideABrowserAsync(isolation, drawing.Box, scale, cancel)).Share;
            Assert.True(other <= Most || await IsProvenAsync(drawing, layer), $"{other:P1} of its ink is other at {scale}x ({(isolation.Beyond.IsEmpty ? "quick" : string.Join(", ", isolation.Beyond))})");
        }
    }

    /// <summary>True for a layer that proof has drawn exactly: some differ at one scale only, which no rule can know.</summary>
    private async Task<bool> IsProvenAsync(DrawingTree drawing, Layer layer)
    {
        var measured = new MeasuredDrawing(drawing, await exact.Renderer.MeasureAsync(drawing, null, cancel));
        var (proof, _) = await Proof.OfAsync(exact.Renderer, measured, drawing.Screens[0], cancel);
        return proof!.Layers.Any(l => layer.SelfAndDescendants().Any(inside => inside.Ordinal == l.Ordinal));
    }
}
