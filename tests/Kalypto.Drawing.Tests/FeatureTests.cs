using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>What comes out of a layer is what a browser shows of it, whichever engine draws it. None is silently otherwise.</summary>
public sealed class FeatureTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const double Most = 0.02;
    private const int Side = 200;
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
        var browsers = new SourceCut(exact.Add(file), layer.Element.At, [], drawing.Box, drawing.Box, Side, Side, null);
        var theirs = await exact.Renderer.PixelsAsync(new Scene("", browsers), Side, Side, cancel);
        var ours = await exact.Renderer.PixelsAsync(isolation.Scene(drawing.Box, Side, Side), Side, Side, cancel);
        Assert.Equal((null, null), (theirs.Failure, ours.Failure));
        Assert.Contains(theirs.Bytes!.Chunk(4), p => p[3] > 0);
        var other = InkDifference.Of(ours.Bytes!, theirs.Bytes!);
        Assert.True(other <= Most, $"{other:P1} of its ink is other ({(isolation.Beyond.IsEmpty ? "quick" : string.Join(", ", isolation.Beyond))})");
    }
}
