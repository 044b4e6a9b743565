using Kalypto.Core.Deciding;

namespace Kalypto.Store;

/// <summary>One step of the history: all of it is done, or nothing.</summary>
/// <param name="Label">What is done, for the history: "Ship 3 layers".</param>
public sealed record Step(string Label)
{
    /// <summary>The layers of which something is said.</summary>
    public IReadOnlyCollection<LayerKey> Layers { get; init; } = [];

    /// <summary>The new mark of a layer out of the present one; null for a layer of which nothing was ever said.</summary>
    public Func<LayerKey, Mark?, Mark> Say { get; init; } = (_, mark) => mark ?? Mark.None;

    /// <summary>What is said of the project or its designs as a whole; done before the layers.</summary>
    public IReadOnlyList<FieldChange> Fields { get; init; } = [];
}
