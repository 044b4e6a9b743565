using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Application.BringingIn;

/// <summary>Compares the layers of an OpenRaster drawing, put together, with the merged picture that its program saved with them.</summary>
internal static class BesideMerged
{
    private const double MostPixels = 40_000_000;

    /// <summary>The share of pixels that visibly differ, from 0 to 1; null where there is nothing to compare.</summary>
    public static async Task<double?> ShareAsync(IRenderer renderer, DrawingTree drawing, byte[] file, CancellationToken cancel)
    {
        if (FileTypes.Of(file) != FileType.Zip || drawing.Box.Width * drawing.Box.Height > MostPixels || await renderer.MergedAsync(file, cancel) is not { Bytes: { Length: > 0 } merged })
        {
            return null;
        }
        var (width, height) = ((int)drawing.Box.Width, (int)drawing.Box.Height);
        var ours = await renderer.DrawAsync(Isolation.Of(drawing, drawing.Layers[0]).Scene(drawing.Box, width, height), width, height, Effort.Quick, cancel);
        return ours.Bytes is null ? null : (await renderer.CompareAsync(ours.Bytes, merged, cancel))?.Share;
    }
}
