using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>A shipped layer of which a platform, or every platform, gets no file: its tags take every format or size away, or the platform takes none of them.</summary>
public sealed class NothingMade : ICheck
{
    /// <inheritdoc/>
    public string Id => "nothing-made";

    /// <inheritdoc/>
    public string Name => "nothing made";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers that ship, but of which a platform gets no file.",
        "Its tags take every format or scale away, or the platform takes none of them.",
        "A photo made only as AVIF for Apple, which does not take it.",
        "Make it as PNG too, or go back to the scales of the recipe.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        var made = plan.Files.Select(f => (f.Picture.Ref, f.Platform)).ToHashSet();
        foreach (var picture in plan.Pictures.Where(p => p.Words.Count > 0 && !(p.Making.Only && made.Contains((p.Ref, AllPlatforms.Plain.Id)))))
        {
            var without = plan.Platforms.Where(p => picture.CropFor(p.Id) is not null && !made.Contains((picture.Ref, p.Id))).ToList();
            if (without.Count == 0)
            {
                continue;
            }
            if (picture.MakingFor(without[0].Id).Formats.IsEmpty)
            {
                yield return new(Id, Severity.Warning, picture.Ref,
                    $"“{picture.Called}” on {picture.ScreenName} ships, but its tags leave no format to make.", new("Make it as PNG", Tags: "png"));
                continue;
            }
            var formats = string.Join(" or ", picture.MakingFor(without[0].Id).Formats.Select(f => f.Format.Name));
            var takesNone = !picture.MakingFor(without[0].Id).Formats.Any(f => without[0].Takes(f.Format));
            yield return new(Id, Severity.Warning, picture.Ref, takesNone
                ? $"{without[0].Name} gets no file of “{picture.Called}” on {picture.ScreenName}, for it does not take {formats}."
                : $"{without[0].Name} gets no file of “{picture.Called}” on {picture.ScreenName}, for it has none of the scales that are asked.",
                takesNone ? new("Make it as PNG too", Tags: "png") : new("Back to the scales of the recipe", Tags: "-scale"));
        }
    }
}
