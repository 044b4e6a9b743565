namespace Kalypto.Core.Designs;

/// <summary>A node of the drawing that people decide on. Identified in its draft by <see cref="Ordinal"/>.</summary>
public sealed class Layer
{
    private readonly Layer? drawnParent;

    internal List<Layer> ChildList { get; } = [];

    /// <summary>The place in document order, from 0 (the drawing itself).</summary>
    public required int Ordinal { get; init; }

    /// <summary>The layer it lies in; null for the drawing itself and for views.</summary>
    public required Layer? Parent { get; init; }

    /// <summary>The layer it lies in as the file has it; other than <see cref="Parent"/> for what was put together.</summary>
    public Layer? DrawnParent { get => drawnParent ?? Parent; init => drawnParent = value; }

    /// <summary>True for a layer that the team put together out of loose ones.</summary>
    public bool Combined { get; init; }

    /// <summary>The name for people, at most 200 characters.</summary>
    public required string Name { get; init; }

    /// <summary>The tags written in the drawing behind the name, as they stand there; null for none.</summary>
    public string? TagText { get; init; }

    /// <summary>Where <see cref="Name"/> comes from.</summary>
    public required NameSource NameSource { get; init; }

    /// <summary>What it is made of.</summary>
    public required LayerContent Content { get; init; }

    /// <summary>The element that draws it.</summary>
    public required Element Element { get; init; }

    /// <summary>True when the layer itself says that it is not to be seen.</summary>
    public required bool Hidden { get; init; }

    /// <summary>True when the layer is locked in the drawing.</summary>
    public required bool Locked { get; init; }

    /// <summary>True for guides, grids and columns: they help the designer and are not part of the product.</summary>
    public required bool Guide { get; init; }

    /// <summary>The box of a view in drawing units; null for all other layers.</summary>
    public Box? ViewBox { get; init; }

    /// <summary>The layers in it, bottom one first, as in the file.</summary>
    public IReadOnlyList<Layer> Children => ChildList;

    /// <summary>0 for the drawing itself, 1 for what lies directly in it, and so on.</summary>
    public int Depth => Parent is null ? 0 : Parent.Depth + 1;

    /// <summary>True when it or a layer around it is hidden.</summary>
    public bool HiddenHere => Hidden || (Parent?.HiddenHere ?? false);

    /// <summary>The layers around it, nearest first.</summary>
    public IEnumerable<Layer> Ancestors()
    {
        for (var layer = Parent; layer is not null; layer = layer.Parent)
        {
            yield return layer;
        }
    }

    /// <summary>The layers around it as the file has them, nearest first.</summary>
    public IEnumerable<Layer> DrawnAncestors()
    {
        for (var layer = DrawnParent; layer is not null; layer = layer.DrawnParent)
        {
            yield return layer;
        }
    }

    /// <summary>The layer and all in it, in document order.</summary>
    public IEnumerable<Layer> SelfAndDescendants()
    {
        var open = new Stack<Layer>();
        open.Push(this);
        while (open.TryPop(out var layer))
        {
            yield return layer;
            for (var i = layer.ChildList.Count - 1; i >= 0; i--)
            {
                open.Push(layer.ChildList[i]);
            }
        }
    }
}
