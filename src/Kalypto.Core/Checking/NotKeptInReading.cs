namespace Kalypto.Core.Checking;

/// <summary>Features of the drawing that a shipped layer loses, as the reader noted them.</summary>
public sealed class NotKeptInReading : ICheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures)
        {
            var drawing = plan.Designs.First(d => d.Id == picture.Ref.Design).Measured.Drawing;
            if (drawing.Notes.IsEmpty)
            {
                continue;
            }
            var inside = plan.LayerOf(picture).SelfAndDescendants().Select(l => l.Ordinal).ToHashSet();
            foreach (var note in drawing.Notes.Where(n => n.Layer is { } layer && inside.Contains(layer)))
            {
                yield return new("not kept from the drawing", Severity.Warning, picture.Ref, $"“{picture.LayerName}” on {picture.ScreenName}: {note.Sentence}");
            }
        }
    }
}
