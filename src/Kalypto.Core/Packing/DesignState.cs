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
    /// <summary>What was said of a layer.</summary>
    public Mark MarkOf(Layer layer) => Marks.GetValueOrDefault(layer.Ordinal) ?? Mark.None;

    /// <summary>The isolated layer, without what is left in it.</summary>
    public Isolation Isolate(Layer layer) => Measured.Isolate(layer, MarkOf);

    /// <summary>Drawing units to points.</summary>
    public Box ToPoints(Box box) => box.Scale(1 / DrawnAt);
}
