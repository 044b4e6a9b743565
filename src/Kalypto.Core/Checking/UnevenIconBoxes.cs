using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>Icons of one folder whose pictures have different boxes, so that they do not sit alike in code.</summary>
public sealed class UnevenIconBoxes : ICheck
{
    private const int Fewest = 3;
    private const double Alike = 1.7;
    private static readonly double[] Grids = [16, 20, 24, 28, 32, 40, 48, 56, 64];

    /// <inheritdoc/>
    public string Id => "icons-with-different-boxes";

    /// <inheritdoc/>
    public string Name => "icons with different boxes";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Icons of one folder that come out in different sizes.",
        "They do not sit alike in code.",
        "Icons of 22 × 20, 24 × 24 and 18 × 24 side by side.",
        "Give all of them one box.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var set in plan.Pictures.Where(p => p.Making.Kind == "icon" && p.Crop is not null).GroupBy(p => p.Making.FolderPath))
        {
            var sides = set.Select(p => Math.Max(p.Crop!.Box.Width, p.Crop.Box.Height)).ToList();
            var sizes = set.Select(p => (p.Crop!.Box.Width, p.Crop.Box.Height)).Distinct().Count();
            var grid = Grids.FirstOrDefault(g => g >= sides.Max());
            if (sides.Count < Fewest || sizes < 2 || grid == 0 || sides.Max() > Alike * sides.Min())
            {
                continue;
            }
            var where = set.Key.Length == 0 ? "without a folder" : $"in {set.Key}/";
            foreach (var icon in set.Where(p => p.Crop!.Box.Width != grid || p.Crop.Box.Height != grid))
            {
                yield return new(Id, Severity.Hint, icon.Ref,
                    $"“{icon.Called}” on {icon.ScreenName} comes out as {Numbers.Text(icon.Crop!.Box.Width)} × {Numbers.Text(icon.Crop.Box.Height)}, one of {sizes} sizes among the {sides.Count} icons {where}.",
                    new($"Give it a box of {grid}x{grid}", Tags: $"crop:{grid}x{grid}"));
            }
        }
    }
}
