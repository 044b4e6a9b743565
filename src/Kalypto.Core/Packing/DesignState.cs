using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Packing;

/// <summary>A design at one moment: its drawing and what the team said of the layers.</summary>
/// <param name="Id">The number of the design.</param>
/// <param name="Name">Its name.</param>
/// <param name="DrawnAt">How many drawing units are one point: 1, 2 or 3.</param>
/// <param name="Measured">The drawing.</param>
/// <param name="Marks">What was said, by ordinal; layers of which nothing was said are missing.</param>
public sealed record DesignState(int Id, string Name, double DrawnAt, MeasuredDrawing Measured, IReadOnlyDictionary<int, Mark> Marks)
{
    private IReadOnlyDictionary<Layer, StateSet>? states;
    private ImmutableArray<Suggestion> suggestions;

    // A copy with other marks works these out anew.
    private DesignState(DesignState other) => (Id, Name, DrawnAt, Measured, Marks) = (other.Id, other.Name, other.DrawnAt, other.Measured, other.Marks);

    /// <summary>The layers that show one button in its states, by each of them.</summary>
    public IReadOnlyDictionary<Layer, StateSet> States => states ??= StateSets.Of(Measured.Drawing, MarkOf);

    /// <summary>What open layers probably are, strongest first.</summary>
    public ImmutableArray<Suggestion> Suggestions => suggestions.IsDefault ? suggestions = Deciding.Suggestions.Of(this) : suggestions;

    /// <summary>The layers of the drawing.</summary>
    public ImmutableArray<Layer> Layers => Measured.Drawing.Layers;

    /// <summary>What was said of a layer.</summary>
    public Mark MarkOf(Layer layer) => Marks.GetValueOrDefault(layer.Ordinal) ?? Mark.None;

    /// <summary>The isolated layer, without what is left in it.</summary>
    public Isolation Isolate(Layer layer) => Measured.Isolate(layer, MarkOf);

    /// <summary>Drawing units to points.</summary>
    public Box ToPoints(Box box) => box.Scale(1 / DrawnAt);

    /// <summary>The shape box of a layer in points; null when it has none.</summary>
    public Box? PointsOf(Layer layer) => Measured.ShapeOf(layer) is { } shape ? ToPoints(shape) : null;
}
