using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>A picture that comes out as one colour: a plain rectangle, or ink on a ground of its own colour.</summary>
public sealed class OneColourPicture : ICheck
{
    private const int Same = 8;

    /// <inheritdoc/>
    public string Id => "one-colour-picture";

    /// <inheritdoc/>
    public string Name => "picture of one colour";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Pictures of which every pixel has the same colour.",
        "A file shows nothing that a line of code would not, or nothing at all: white on white.",
        "A plain band of the sea as PNG, or a white bell as JPEG, which lies over white.",
        "Build the rectangle in code. For ink that is not seen, name another colour under it, or take a format that is transparent.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var files in plan.Files.Where(f => !f.IsLinked && f.Picture.MakingFor(f.Platform).Ground is not Ground.Screen).GroupBy(f => f.Picture))
        {
            var picture = files.Key;
            if (plan.Looks(picture.Key) is not { Colour: { } colour } look)
            {
                continue;
            }
            if (look.IsFull && picture.State is null)
            {
                yield return new(Id, Severity.Hint, picture.Ref, $"“{picture.Called}” on {picture.ScreenName} is a plain rectangle of {colour}: every pixel has the same colour.",
                    new("Build it in code", Decision: Decision.Code));
            }
            else if (files.Where(f => f.Ground is { } ground && AreAlike(ground, colour)).Select(f => (f.Format, f.Ground)).Distinct().ToList() is [var first, ..] unseen)
            {
                yield return new(Id, Severity.Warning, picture.Ref,
                    $"“{picture.Called}” on {picture.ScreenName} is not seen in {string.Join(" and ", unseen.Select(u => u.Format.Name).Distinct())}: its one colour, {colour}, lies over {first.Ground}.",
                    new("Show what lies beneath it", Tags: "over:screen"));
            }
        }
    }

    private static bool AreAlike(string a, string b) => Parts(a).Zip(Parts(b)).All(p => Math.Abs(p.First - p.Second) <= Same);

    private static IEnumerable<int> Parts(string hex) => Enumerable.Range(0, 3).Select(i => Convert.ToInt32(hex.Substring(1 + i * 2, 2), 16));
}
