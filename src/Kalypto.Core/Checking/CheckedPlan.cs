using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>What checks look at: the pack before its findings are known.</summary>
/// <param name="Designs">The designs with what was said of their layers.</param>
/// <param name="Platforms">The platforms packed for.</param>
/// <param name="Pictures">The shipped layers.</param>
/// <param name="Files">The planned files.</param>
/// <param name="Looks">What was seen of an isolated layer, by its key.</param>
public sealed record CheckedPlan(
    IReadOnlyList<DesignState> Designs, IReadOnlyList<IPlatform> Platforms, ImmutableArray<Picture> Pictures,
    ImmutableArray<PlannedFile> Files, Func<Fingerprint, Look?> Looks)
{
    /// <summary>The layer that a picture is of.</summary>
    public Layer LayerOf(Picture picture) =>
        Designs.First(d => d.Id == picture.Ref.Design).Measured.Drawing.Layers[picture.Ref.Ordinal];
}
