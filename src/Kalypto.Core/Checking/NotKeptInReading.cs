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
            var drawing = plan.DesignOf(picture).Measured.Drawing;
            if (drawing.Notes.IsEmpty)
            {
                continue;
            }
            var inside = plan.LayerOf(picture).SelfAndDescendants().Select(l => l.Ordinal).ToHashSet();
            foreach (var note in drawing.Notes.Where(n => n.Layer is { } layer && inside.Contains(layer)))
            {
                yield return new(Id, Severity.Warning, picture.Ref, $"“{picture.LayerName}” on {picture.ScreenName}: {note.Sentence}") { About = note.Sentence };
            }
        }
        foreach (var design in plan.Designs)
        {
            foreach (var note in design.Measured.Drawing.Notes.Where(n => n.Layer is null))
            {
                yield return new(Id, Severity.Hint, new(design.Id, 0), $"“{design.Name}”: {note.Sentence}") { About = note.Sentence };
            }
        }
    }
}
