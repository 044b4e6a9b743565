using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Checking;

/// <summary>An embedded picture that has fewer pixels than the largest scale asks for.</summary>
public sealed class PictureUnderScale : ICheck
{
    /// <inheritdoc/>
    public string Id => "picture-under-its-scale";

    /// <inheritdoc/>
    public string Name => "picture under its scale";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Embedded pictures that have fewer pixels than the largest scale asks for.",
        "They would be enlarged and look soft.",
        "A photo of 600 px that is 400 pt wide, asked for at 3x.",
        "Make it up to the scale that it has, or embed a larger one.");

    private const double Tolerance = 0.02;
    private static readonly Scale Usual = new(3);

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var files in plan.Files.GroupBy(f => f.Picture.Ref))
        {
            var picture = files.First().Picture;
            var design = plan.DesignOf(picture);
            if (design.Measured.Contents[picture.Ref.Ordinal].Pictures == 0)
            {
                continue;
            }
            // Largest densities come with platforms; what people ask for are the scales that are said, or else up to 3x.
            var asked = files.Where(f => !f.Format.IsVector && (picture.Making.Scales.Contains(f.Scale) || !f.Picture.MakingFor(f.Platform).Scales.IsEmpty
                || f.Scale.Factor <= Usual.Factor || !picture.MakingFor(f.Platform).Wide.IsEmpty || !picture.MakingFor(f.Platform).Tall.IsEmpty)).Select(f => f.Scale).DefaultIfEmpty().Max();
            foreach (var layer in plan.LayerOf(picture).SelfAndDescendants().Where(l => l.Content == LayerContent.Image))
            {
                if (NativeScale(design, layer) is { } native
                    && native < asked.Factor - Tolerance)
                {
                    var enough = picture.Making.ScalesOr([new(1), new(2), Usual]).Where(s => s.Factor <= native + Tolerance).DefaultIfEmpty(new Scale(1)).ToList();
                    yield return new(Id, Severity.Warning, picture.Ref,
                        $"“{picture.Called}” on {picture.ScreenName} is asked for at {new Scale(Math.Round(asked.Factor, 2))}, but its picture has only {Numbers.Text(native, 1)}x.",
                        picture.Making is { Wide.IsEmpty: true, Tall.IsEmpty: true } ? new($"Make it up to {enough.Max()}", Tags: $"scale:{string.Join(',', enough)}") : null);
                    break;
                }
            }
        }
    }

    /// <summary>px of the embedded picture per pt on the screen, at its smallest axis; null when unknown.</summary>
    private static double? NativeScale(DesignState design, Layer layer)
    {
        if (layer.Ordinal >= design.Measured.Shapes.Count || design.Measured.Shapes[layer.Ordinal] is not { IsEmpty: false } box)
        {
            return null;
        }
        var drawnAt = design.DrawnAt;
        if (EmbeddedPicture.Of(layer.Element) is not { } picture)
        {
            return PatternPicture.Of(layer.Element, id => design.Measured.Drawing.Definitions.GetValueOrDefault(id)?.Element)?.Density(box) * drawnAt;
        }
        var (across, down) = (picture.Width / box.Width, picture.Height / box.Height);
        // “slice” fills the box and cuts what sticks out, so the larger step counts; “meet” fits all of it in.
        var ratio = layer.Element["preserveAspectRatio"] ?? "";
        return (ratio.Contains("none", StringComparison.Ordinal) || ratio.Contains("slice", StringComparison.Ordinal)
            ? Math.Min(across, down) : Math.Max(across, down)) * drawnAt;
    }
}
