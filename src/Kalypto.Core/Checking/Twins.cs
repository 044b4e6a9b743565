using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>Forms of pictures: those without the picture that they are a form of, pictures without a form that their neighbours have, and names that look like a form.</summary>
public sealed class Twins : ICheck
{
    /// <inheritdoc/>
    public string Id => "twins";

    /// <inheritdoc/>
    public string Name => "twins";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Pictures that are the dark, mirrored or a language’s form of another, and do not fit together.",
        "A form whose picture is missing is shown to some people alone; a picture without a form looks wrong to the others.",
        "A logo for dark grounds beside a bell that has none.",
        "Draw the missing one, or say with `twin:` which forms belong together: picture by picture, or of a whole screen.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        var byPlace = plan.Pictures.Where(p => p.Making.Kind != Kinds.AppIcon).ToLookup(PlaceOf, StringComparer.OrdinalIgnoreCase);
        foreach (var twin in plan.Pictures.Where(p => p.Twin is not null && p.Making.Kind != Kinds.AppIcon && byPlace[PlaceOf(p)].All(o => o.Twin is not null)))
        {
            yield return new(Id, Severity.Warning, twin.Ref, $"“{twin.LayerName}” on {twin.ScreenName} is the {twin.Twin!.Name} form of {PlaceOf(twin)}, which does not ship.",
                new("Make it a picture of its own", Tags: "-twin"));
        }
        foreach (var (picture, twin) in Missing(plan, byPlace))
        {
            yield return new(Id, Severity.Hint, picture.Ref, $"“{picture.LayerName}” on {picture.ScreenName} has no {twin.Name} form, which others on its screen have.") { About = twin.ToString() };
        }
        foreach (var picture in plan.Pictures.Where(p => p.Twin is null && p.State is null))
        {
            if (Twin.Of(picture.Words) is var (twin, words) && byPlace[Place(picture, words)].FirstOrDefault(o => o.Twin is null) is { } other)
            {
                yield return new(Id, Severity.Hint, picture.Ref, $"“{picture.LayerName}” on {picture.ScreenName} looks like the {twin.Name} form of “{other.LayerName}” on {other.ScreenName}.",
                    new($"Deliver it as its {twin.Name} form", Tags: $"twin:{twin}"));
            }
        }
    }

    // Of the pictures of a screen some of which have a form, those that have it not.
    private static IEnumerable<(Picture Picture, Twin Twin)> Missing(CheckedPlan plan, ILookup<string, Picture> byPlace)
    {
        foreach (var screen in plan.Pictures.Where(p => p.Twin is null && p.Making.Kind != Kinds.AppIcon).GroupBy(p => (p.Ref.Design, p.ScreenName)))
        {
            var forms = screen.SelectMany(p => byPlace[PlaceOf(p)]).Select(p => p.Twin).OfType<Twin>().Distinct().ToList();
            foreach (var twin in forms)
            {
                foreach (var picture in screen.Where(p => !byPlace[PlaceOf(p)].Any(o => twin.Equals(o.Twin))))
                {
                    yield return (picture, twin);
                }
            }
        }
    }

    private static string PlaceOf(Picture picture) => Place(picture, picture.Words);

    private static string Place(Picture picture, IEnumerable<string> words) => picture.Making.FolderPrefix + string.Join('-', words);
}
