using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>An embedded picture that has fewer pixels than the largest scale asks for.</summary>
public sealed class PictureUnderScale : ICheck
{
    /// <inheritdoc/>
    public string Name => "picture under its scale";

    private const double Tolerance = 0.02;

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var files in plan.Files.GroupBy(f => f.Picture.Ref))
        {
            var picture = files.First().Picture;
            var design = plan.Designs.First(d => d.Id == picture.Ref.Design);
            // Android's largest density comes with the platform; what people ask for are the scales of the recipe.
            var asked = files.Where(f => picture.Making.Scales.Contains(f.Scale)).Select(f => f.Scale).DefaultIfEmpty().Max();
            foreach (var layer in plan.LayerOf(picture).SelfAndDescendants().Where(l => l.Content == LayerContent.Image))
            {
                if (NativeScale(layer, layer.Ordinal < design.Measured.Shapes.Count ? design.Measured.Shapes[layer.Ordinal] : null, design.DrawnAt) is { } native
                    && native < asked.Factor - Tolerance)
                {
                    var enough = picture.Making.Scales.Where(s => s.Factor <= native + Tolerance).DefaultIfEmpty(new Scale(1)).ToList();
                    yield return new(Name, Severity.Warning, picture.Ref,
                        $"“{picture.LayerName}” on {picture.ScreenName} is asked for at {asked}, but its picture has only {Numbers.Text(native, 1)}x.",
                        new($"Make it up to {enough.Max()}", Tags: $"scale:{string.Join(',', enough)}"));
                    break;
                }
            }
        }
    }

    /// <summary>px of the embedded picture per pt on the screen, at its smallest axis; null when unknown.</summary>
    private static double? NativeScale(Layer layer, Box? shape, double drawnAt)
    {
        if (EmbeddedPicture.Of(layer.Element) is not { } picture || shape is not { IsEmpty: false } box)
        {
            return null;
        }
        var (across, down) = (picture.Width / box.Width, picture.Height / box.Height);
        // “slice” fills the box and cuts what sticks out, so the larger step counts; “meet” fits all of it in.
        var ratio = layer.Element["preserveAspectRatio"] ?? "";
        return (ratio.Contains("none", StringComparison.Ordinal) || ratio.Contains("slice", StringComparison.Ordinal)
            ? Math.Min(across, down) : Math.Max(across, down)) * drawnAt;
    }
}
