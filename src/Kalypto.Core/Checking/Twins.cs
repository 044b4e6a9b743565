using Kalypto.Core.Designs;
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
            yield return new(Id, Severity.Warning, twin.Ref, $"“{twin.Called}” on {twin.ScreenName} is the {twin.Twin!.Name} form of {PlaceOf(twin)}, which does not ship.",
                new("Make it a picture of its own", Tags: "-twin"));
        }
        foreach (var (picture, twin) in Missing(plan, byPlace))
        {
            yield return new(Id, Severity.Hint, picture.Ref, $"“{picture.Called}” on {picture.ScreenName} has no {twin.Name} form, which others on its screen have.") { About = twin.ToString() };
        }
        var likely = new LikelyTwins(plan);
        var told = new HashSet<LayerRef>();
        foreach (var screen in likely.Screens(byPlace))
        {
            told.UnionWith(screen.Pictures.Select(p => p.Ref));
            yield return new(Id, Severity.Hint, screen.Screen,
                $"The screen {screen.Name} looks like the {screen.Twin.Name} form of {screen.Of}: {screen.Same} of its {screen.All} pictures are there too.",
                new($"All of it is its {screen.Twin.Name} form", Tags: $"twin:{screen.Twin}"));
        }
        var named = plan.Pictures.Where(p => p.Twin is null && p.State is null)
            .Select(p => Twin.Of(p.Words) is var (twin, words) && byPlace[Place(p, words)].FirstOrDefault(o => o.Twin is null) is { } of ? (p, twin, of) : default).Where(p => p.of is not null);
        foreach (var (picture, twin, of) in named.Concat(likely.Pictures()).Where(p => told.Add(p.Item1.Ref)))
        {
            yield return new(Id, Severity.Hint, picture.Ref, $"“{picture.Called}” on {picture.ScreenName} looks like the {twin.Name} form of “{of.Called}” on {of.ScreenName}.",
                new($"Deliver it as its {twin.Name} form", NameFor(picture, twin, of), Tags: $"twin:{twin}{FolderFor(picture, of)}"));
        }
    }

    // A form lies where the picture lies, under the same name.
    private static string? NameFor(Picture picture, Twin twin, Picture of) =>
        twin.Without(picture.Words).SequenceEqual(of.Words, StringComparer.OrdinalIgnoreCase) ? null : string.Join('-', of.Words);

    private static string FolderFor(Picture picture, Picture of) =>
        picture.Making.FolderPrefix == of.Making.FolderPrefix ? "" : $" to:{of.Making.FolderPath}";

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
