using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;
using Kalypto.Core.Styling;

namespace Kalypto.Application.Handover;

/// <summary>Reads the values of layers that are built in code, their words measured by the renderer.</summary>
internal static class MeasuredValues
{
    /// <summary>The values of some layers of a screen by ordinal, in pt; those without a place are missing.</summary>
    public static async Task<IReadOnlyDictionary<int, LayerValues>> OfAsync(IRenderer renderer, DesignState state, Screen screen, IEnumerable<int> ordinals, CancellationToken cancel)
    {
        var reader = new ValuesReader(state, screen);
        var read = ordinals.Select(o => (Ordinal: o, Values: reader.Of(state.Layers[o]))).Where(v => v.Values is not null).Select(v => (v.Ordinal, Values: v.Values!)).ToList();
        var measured = TextMeasuring.With([.. read.Select(v => v.Values)], await renderer.MeasureTextAsync(TextMeasuring.AsksOf(read.Select(v => v.Values)), state.Measured.Drawn.Fonts, cancel));
        return read.Zip(measured).ToDictionary(v => v.First.Ordinal, v => v.Second);
    }
}
