using Kalypto.Core.Packing;

namespace Kalypto.Core.Checking;

/// <summary>Features of the drawing that a shipped layer loses, as the reader noted them.</summary>
public sealed class NotKeptInReading : ICheck
{
    /// <inheritdoc/>
    public string Id => "not-kept-from-the-drawing";

    /// <inheritdoc/>
    public string Name => "not kept from the drawing";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Features of the drawing that cannot be taken over as they are.",
        "The picture is other than the drawing where they are used.",
        "Text along a path.",
        "Draw it in another way, such as outlines instead of text along a path.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures)
        {
            foreach (var sentence in Told(plan, picture))
            {
                yield return new(Id, Severity.Warning, picture.Ref, $"“{picture.Called}” on {picture.ScreenName}: {sentence}") { About = sentence };
            }
        }
        foreach (var design in plan.Designs)
        {
            foreach (var note in design.Measured.Drawing.Notes.Where(n => n.Layer is null && !(plan.HasExact && n.IsBeyond)))
            {
                yield return new(Id, Severity.Hint, new(design.Id, 0), $"“{design.Name}”: {note.Sentence}") { About = note.Sentence };
            }
        }
    }

    private static IEnumerable<string> Told(CheckedPlan plan, Picture picture)
    {
        var drawing = plan.DesignOf(picture).Measured.Drawing;
        if (drawing.Notes.IsEmpty && picture.Beyond.IsEmpty)
        {
            return [];
        }
        var inside = plan.LayerOf(picture).SelfAndDescendants().Select(l => l.Ordinal).ToHashSet();
        var notes = drawing.Notes.Where(n => n.Layer is { } layer && inside.Contains(layer) && !(picture.IsExact && n.IsBeyond)).ToList();
        // What it refers to has notes of no layer.
        var untold = picture.IsExact || notes.Exists(n => n.IsBeyond) ? [] : picture.Beyond;
        return notes.Select(n => n.Sentence).Concat(untold.Select(reason => $"{char.ToUpperInvariant(reason[0])}{reason[1..]} is drawn otherwise than in a browser."));
    }
}
