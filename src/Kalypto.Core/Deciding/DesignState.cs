using System.Collections.Concurrent;
using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Deciding;

/// <summary>A design at one moment: its drawing and what the team said of the layers.</summary>
/// <param name="Id">The number of the design.</param>
/// <param name="Name">Its name.</param>
/// <param name="DrawnAt">How many drawing units are one point: 1, 2 or 3, or what its file says.</param>
/// <param name="Measured">The drawing.</param>
/// <param name="Marks">What was said, by ordinal; layers of which nothing was said are missing.</param>
public sealed record DesignState(int Id, string Name, double DrawnAt, MeasuredDrawing Measured, IReadOnlyDictionary<int, Mark> Marks)
{
    private Worked<Known> known;

    /// <summary>What the project says of how pictures are made.</summary>
    public RecipeBook Recipes { get; init; } = RecipeBook.Usual;

    /// <summary>Credit lines that the design brought along; null for those of the project.</summary>
    public Formats.CreditLines? Credit { get; init; }

    /// <summary>The layers that show one button in its states, by each of them.</summary>
    public IReadOnlyDictionary<Layer, StateSet> States => Memo.States ??= StateSets.Of(Measured.Drawing, SaidOf);

    /// <summary>The layers of the drawing.</summary>
    public ImmutableArray<Layer> Layers => Measured.Drawing.Layers;

    /// <summary>What was said of a layer.</summary>
    public Mark MarkOf(Layer layer) => Marks.GetValueOrDefault(layer.Ordinal) ?? Mark.None;

    /// <summary>What was said of a layer, with the tags that stand behind its name in the drawing where nobody said otherwise.</summary>
    public Mark SaidOf(Layer layer) => layer.TagText is null ? MarkOf(layer) : MarkOf(layer) is var mark ? mark with { Tags = mark.Tags.Over(DrawnTagsOf(layer)) } : mark;

    /// <summary>The name that holds for a layer: the typed one, or else the drawing's.</summary>
    public string NameOf(Layer layer) => MarkOf(layer).NameOf(layer);

    /// <summary>The name that holds for a layer, where somebody gave it one, here or in the drawing; null when only a program did.</summary>
    public string? OwnNameOf(Layer layer) => MarkOf(layer).ShipName ?? (Measured.IsNotNamed(layer) ? null : layer.Name);

    /// <summary>The tags that stand behind a layer's name in the drawing; none when a word of them is not understood.</summary>
    public Tags DrawnTagsOf(Layer layer) => layer.TagText is { } text && TagLine.Parse(text, Recipes.OwnKinds) is { Mistakes.IsEmpty: true } line ? line.ApplyTo(Tags.Empty) : Tags.Empty;

    /// <summary>The kind of a layer: said, or else what follows from the layer.</summary>
    public string KindOf(Layer layer, Tags? around = null) => SaidOf(layer).Tags.Kind ?? around?.Kind ?? (States.ContainsKey(layer) ? "button" : Kinds.Of(layer));

    /// <summary>All that is said of how a layer is made, nearest first.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="platform">The id of a platform; null for what holds where no platform says otherwise.</param>
    /// <param name="around">Tags of a group that ships in parts, or null.</param>
    public Holding HoldingOf(Layer layer, string? platform, Tags? around = null) => Recipes.Holding(Near(layer, around), KindOf(layer, around), platform);

    /// <summary>How a layer is made on a platform.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="platform">The id of a platform; null for what holds where no platform says otherwise.</param>
    /// <param name="around">Tags of a group that ships in parts, or null.</param>
    public Making MakingOf(Layer layer, string? platform, Tags? around = null)
    {
        var kind = KindOf(layer, around);
        var near = Near(layer, around);
        var making = Recipes.MakingOf(near, kind, platform);
        return making.Folder.IsEmpty && FoldersAround(layer) is { Length: > 0 } folder ? making with { Folder = folder } : making;
    }

    // All layers of a group lie in the same folders, on every platform.
    private ImmutableArray<string> FoldersAround(Layer layer) => layer.Parent is not { } parent ? [] : Memo.Folders.GetOrAdd(parent, _ => GroupFolders.Of(this, layer));

    private List<(Origin, Tags)> Near(Layer layer, Tags? around)
    {
        var near = new List<(Origin, Tags)>();
        if (MarkOf(layer).Tags is var own && own != Tags.Empty)
        {
            near.Add((Origin.Tag, own));
        }
        if (layer.TagText is not null && DrawnTagsOf(layer) is var drawn && drawn != Tags.Empty)
        {
            near.Add((Origin.Drawing, drawn));
        }
        if (around is not null && around != Tags.Empty)
        {
            near.Add((Origin.Group, around));
        }
        // A whole screen may be the twin of another, with all that lies in it.
        if (TwinAround(layer) is { } twin)
        {
            near.Add((Origin.Group, Tags.Empty with { Twin = twin }));
        }
        return near;
    }

    private Twin? TwinAround(Layer layer) => layer.Ancestors().Where(a => a.Content == LayerContent.Screen && (a.TagText is not null || Marks.ContainsKey(a.Ordinal)))
        .Select(a => SaidOf(a).Tags.Twin).FirstOrDefault(t => t is not null);

    private Known Memo => known.Of(this, () => new());

    /// <summary>The isolated layer, without what is left in it, and without its label where it stretches around any.</summary>
    public Isolation Isolate(Layer layer) => SaidOf(layer).Tags.Stretch is null ? Measured.Isolate(layer, MarkOf)
        : Measured.Isolate(layer, inside => inside.Content == LayerContent.Text ? Mark.None with { Decision = Decision.Leave } : MarkOf(inside));

    /// <summary>Drawing units to points.</summary>
    public Box ToPoints(Box box) => box.Scale(1 / DrawnAt);

    /// <summary>The shape box of a layer in points; null when it has none.</summary>
    public Box? PointsOf(Layer layer) => Measured.ShapeOf(layer) is { } shape ? ToPoints(shape) : null;

    private sealed class Known
    {
        public ConcurrentDictionary<Layer, ImmutableArray<string>> Folders { get; } = new();

        public IReadOnlyDictionary<Layer, StateSet>? States { get; set; }
    }
}
