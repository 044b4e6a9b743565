using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Deciding;

/// <summary>Offers names for layers that nobody named, from the words in and beside them and the group they lie in.</summary>
public static class NameSuggestions
{
    private const int MostWords = 4;
    private const double FarthestWords = 48;

    /// <summary>What a pattern can take from a layer.</summary>
    /// <param name="design">The design.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="kind">Its kind.</param>
    public static NameParts PartsOf(DesignState design, Layer layer, string kind) => new(
        design.NameOf(layer), ParentName(design, layer), kind, WordsFor(design, layer), design.Measured.ScreenOf(layer)?.Name ?? design.Name);

    /// <summary>A name for one layer: <c>visits-icon</c>, <c>forecast-card-icon</c>.</summary>
    public static string Of(DesignState design, Layer layer, string kind)
    {
        var parts = PartsOf(design, layer, kind);
        string[] subjects = [parts.Words, NameInside(design, layer), parts.Parent, DefaultNames.WithoutCopy(parts.Screen)];
        var subject = Array.Find(subjects, s => s.Length > 0 && !DefaultNames.IsDefault(s)) ?? "";
        var words = NameWords.Split(subject).Take(MostWords).ToList();
        if (!words.Contains(kind))
        {
            // A name that begins with a digit is none in most languages.
            words.Insert(words.Count > 0 && char.IsAsciiDigit(words[0][0]) ? 0 : words.Count, kind);
        }
        return string.Join('-', words);
    }

    // What a nameless group is around, where that is one thing with a name.
    private static string NameInside(DesignState design, Layer layer) =>
        layer.SelfAndDescendants().Skip(1).Where(l => l.Content != LayerContent.Text && !l.HiddenHere).Select(design.OwnNameOf).OfType<string>().Distinct().Take(2).ToList() is [var name] ? name : "";

    private static string ParentName(DesignState design, Layer layer) => layer.Ancestors().TakeWhile(a => a.Content != LayerContent.Screen)
        .Where(a => !design.Measured.IsNeedlessOuter(a))
        .Select(a => design.OwnNameOf(a)).OfType<string>().FirstOrDefault() ?? "";

    /// <summary>The first words inside, else the nearest ones beside it in the group it lies in.</summary>
    private static string WordsFor(DesignState design, Layer layer)
    {
        if (layer.SelfAndDescendants().Select(LayerText.Of).FirstOrDefault(IsUseful) is { } inside)
        {
            return inside;
        }
        if (layer.Parent is not { } parent || design.PointsOf(layer) is not { } box)
        {
            return "";
        }
        return parent.Children.Count > 40 ? "" : parent.Children.Where(c => c != layer && !c.HiddenHere).SelectMany(c => c.SelfAndDescendants())
            .Where(l => l.Content == LayerContent.Text && IsUseful(LayerText.Of(l)))
            .Select(l => (Text: LayerText.Of(l), Box: design.PointsOf(l))).Where(t => t.Box is not null)
            .Select(t => (t.Text, Distance: Distance(box, t.Box!.Value))).Where(t => t.Distance <= FarthestWords)
            .OrderBy(t => t.Distance).Select(t => t.Text).FirstOrDefault() ?? "";
    }

    private static bool IsUseful(string text) => NameWords.Split(text) is { Count: > 0 and <= 2 * MostWords } words && words.Any(w => w.Any(char.IsAsciiLetter));

    private static double Distance(Box a, Box b) => Math.Max(
        Math.Max(0, Math.Max(a.X, b.X) - Math.Min(a.Right, b.Right)), Math.Max(0, Math.Max(a.Y, b.Y) - Math.Min(a.Bottom, b.Bottom)));
}
