using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;

namespace Kalypto.Core.Typography;

/// <summary>A family that texts ask for, and what they get.</summary>
/// <param name="Family">The family, as the first that asked for it wrote it.</param>
/// <param name="Own">The fonts of the project that draw it; none for a family that comes with Kalypto or is not there.</param>
/// <param name="StandIn">The family that stands in for it; null for one that is there.</param>
/// <param name="Faces">The weights and slants that are asked for, lightest first.</param>
/// <param name="Layers">The layers with text in it, in order.</param>
public sealed record FontUse(string Family, ImmutableArray<Font> Own, string? StandIn, ImmutableArray<(int Weight, bool IsItalic)> Faces, ImmutableArray<LayerRef> Layers)
{
    /// <summary>The faces that no font of the project draws, so that they are made up out of others.</summary>
    public ImmutableArray<(int Weight, bool IsItalic)> MadeUp => Own.IsEmpty ? [] : [.. Faces.Where(f => IsMadeUp(Own, f.Weight, f.IsItalic))];

    /// <summary>True when a face is made up: bold out of lighter letters (CSS Fonts 4, section 2.2: from 600 on), slanted out of upright ones.</summary>
    public static bool IsMadeUp(IReadOnlyCollection<Font> fonts, int weight, bool isItalic) => fonts.Count > 0
        && ((isItalic && !fonts.Any(f => f.IsItalic)) || (weight >= 600 && fonts.Where(f => f.IsItalic == isItalic || fonts.All(o => o.IsItalic != isItalic)).All(f => f.Heaviest < 600)));
}
