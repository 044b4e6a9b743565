using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Library;

/// <summary>Tells whether two shipped layers are the same drawing, in whatever project, draft or place they are.</summary>
public static class DrawingPrint
{
    /// <summary>The fingerprint of what a layer draws, with what is left out of it. Moved, it is the same, but for texts and plain boxes.</summary>
    public static Fingerprint Of(DesignState design, Layer layer)
    {
        var isolation = design.Isolate(layer);
        return Fingerprint.Of((design.Measured.RepeatKeys[layer.Ordinal] ?? isolation.Key).Hex, string.Join(' ', isolation.Without.Select(o => o - layer.Ordinal)));
    }
}
