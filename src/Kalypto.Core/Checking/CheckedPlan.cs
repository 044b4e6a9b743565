using System.Collections.Immutable;
using Kalypto.Core.Asking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Rendering;

namespace Kalypto.Core.Checking;

/// <summary>What checks look at: the pack before its findings are known.</summary>
/// <param name="Designs">The designs with what was said of their layers.</param>
/// <param name="Platforms">The platforms packed for.</param>
/// <param name="Pictures">The shipped layers.</param>
/// <param name="Files">The planned files.</param>
/// <param name="Looks">What was seen of an isolated layer, by its key.</param>
/// <param name="StandIn">The family drawn instead of the first of a list, where that does not come with Kalypto; null for one that does.</param>
public sealed record CheckedPlan(
    IReadOnlyList<DesignState> Designs, IReadOnlyList<IPlatform> Platforms, ImmutableArray<Picture> Pictures,
    ImmutableArray<PlannedFile> Files, Func<Fingerprint, Look?> Looks, Func<string, string?> StandIn)
{
    private readonly Dictionary<int, DesignState> byId = Designs.ToDictionary(d => d.Id);

    /// <summary>What a file weighs, in bytes: an estimate until it is drawn.</summary>
    public Func<PlannedFile, long> Weight { get; init; } = WeightEstimate.Of;

    /// <summary>What is asked about deliveries and not settled yet.</summary>
    public IReadOnlyList<Question> Questions { get; init; } = [];

    /// <summary>True where there is an exact engine, which draws what the quick one does not draw as a browser does.</summary>
    public bool HasExact { get; init; }

    /// <summary>The layer that a picture is of.</summary>
    public Layer LayerOf(Picture picture) =>
        DesignOf(picture).Layers[picture.Ref.Ordinal];

    /// <summary>The design that a picture comes from.</summary>
    public DesignState DesignOf(Picture picture) => byId[picture.Ref.Design];

    /// <summary>The design of a layer, and the layer; every layer that a picture stands for is there.</summary>
    public (DesignState Design, Layer Layer) At(LayerRef layer) => byId[layer.Design] is var design ? (design, design.Layers[layer.Ordinal]) : default;

    /// <summary>A name for people of a layer and the screen it is on: <c>“bell” on Tonight</c>.</summary>
    public static string Where(DesignState design, Layer layer) =>
        $"“{design.NameOf(layer)}”{(design.Measured.ScreenOf(layer) is { } screen && screen.Root != layer ? $" on {screen.Name}" : "")}";
}
