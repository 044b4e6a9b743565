using Kalypto.Core.Formats;

namespace Kalypto.Core.Checking;

/// <summary>A file of shapes that has so many that a picture of pixels is smaller and faster.</summary>
public sealed class ManyShapes : ICheck
{
    private const int Most = 200;

    /// <inheritdoc/>
    public string Id => "many-shapes-in-one-vector";

    /// <inheritdoc/>
    public string Name => "many shapes in one vector";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Files of shapes that hold more than 200 of them.",
        "Beyond that a picture of pixels is smaller and drawn faster.",
        "A star map of 900 dots as SVG.",
        "Make it as PNG.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Files.Where(f => f.Format.IsVector).GroupBy(f => f.Picture.Ref)
        .Select(g => (g.First().Picture, Vectors: g.Select(f => f.Format.Name).Distinct(), Shapes: plan.DesignOf(g.First().Picture).Measured.Contents[g.Key.Ordinal].Shapes))
        .Where(p => p.Shapes > Most)
        .Select(p => new Finding(Id, Severity.Warning, p.Picture.Ref,
            $"“{p.Picture.Called}” on {p.Picture.ScreenName} is made as {string.Join(" and ", p.Vectors)} of {p.Shapes} shapes; beyond {Most} a picture of pixels is smaller and drawn faster.",
            new("Make it as PNG", Tags: string.Join(' ', Format.All.Where(f => f.IsVector).Select(f => $"-{f}").Append("png")))));
}
