using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>
/// Pictures and whole screens that look like a form of others: by how they are drawn (the same shapes in lighter ink, the same
/// things on the other side) and by the names of screens. Whoever is asked decides.
/// </summary>
internal sealed class LikelyTwins(CheckedPlan plan)
{
    // Places of more pictures than this are no pairs of forms, and looking at each with each would take long.
    private const int MostAtPlace = 6;
    private const int LeastOnScreen = 2;
    private const double Near = 2;
    private const double OtherLight = 0.25;

    /// <summary>A screen, what it looks like a form of, and how many of its pictures say so.</summary>
    public sealed record OfScreen(LayerRef Screen, string Name, Twin Twin, string Of, int Same, int All, IReadOnlyList<Picture> Pictures);

    /// <summary>The screens that look like a form of another one.</summary>
    public IEnumerable<OfScreen> Screens(ILookup<string, Picture> byPlace)
    {
        var screens = plan.Pictures.Where(p => IsOpen(p) && ScreenOf(p) is not null).GroupBy(p => (p.Ref.Design, ScreenOf(p)!.Root.Ordinal)).ToDictionary(g => g.Key, g => g.ToList());
        var pairs = new Dictionary<((int, int) Of, (int, int) Screen), List<(Picture Of, Picture Twin)>>();
        foreach (var place in byPlace.Select(p => p.Where(o => IsOpen(o) && ScreenOf(o) is not null).ToList()).Where(p => p.Count is > 1 and <= MostAtPlace))
        {
            foreach (var (one, other) in place.SelectMany(one => place.Where(other => other != one).Select(other => (one, other))))
            {
                var (of, twin) = ((one.Ref.Design, ScreenOf(one)!.Root.Ordinal), (other.Ref.Design, ScreenOf(other)!.Root.Ordinal));
                if (of != twin)
                {
                    (pairs.TryGetValue((of, twin), out var list) ? list : pairs[(of, twin)] = []).Add((one, other));
                }
            }
        }
        var told = new HashSet<(int, int)>();
        // Of two that are each other's mirror, the first is the picture itself.
        foreach (var ((of, screen), same) in pairs.Where(p => p.Value.Count >= LeastOnScreen && p.Value.Count * 2 >= screens[p.Key.Screen].Count))
        {
            if (TwinOf(ScreenOf(same[0].Of)!, ScreenOf(same[0].Twin)!, same) is { } twin && !told.Contains(of) && told.Add(screen))
            {
                yield return new(new(screen.Item1, screen.Item2), same[0].Twin.ScreenName, twin, same[0].Of.ScreenName, same.Count, screens[screen].Count, [.. same.Select(s => s.Twin)]);
            }
        }
    }

    /// <summary>The pictures that are drawn as another one of nearly the same name in ink for the other ground, with that one.</summary>
    public IEnumerable<(Picture Twin, Twin Form, Picture Of)> Pictures()
    {
        var dark = new Twin(true, false, false, null);
        foreach (var same in plan.Pictures.Where(IsOpen).GroupBy(FormOf).Where(g => g.Count() is > 1 and <= MostAtPlace))
        {
            foreach (var twin in same)
            {
                if (same.FirstOrDefault(of => of != twin && CanLieWith(twin, of) && Begins(twin.Words, of.Words) && IsDarkOf(twin, of)) is { } of)
                {
                    yield return (twin, dark, of);
                }
            }
        }
    }

    private Twin? TwinOf(Screen of, Screen twin, List<(Picture Of, Picture Twin)> same)
    {
        // A name that says the form needs no more proof than that it holds the same pictures.
        if (Twin.Of(NameWords.Split(twin.Name)) is var (said, rest) && rest.SequenceEqual(NameWords.Split(of.Name), StringComparer.OrdinalIgnoreCase))
        {
            return said;
        }
        var boxes = same.Select(s => (Of: On(of, s.Of), Twin: On(twin, s.Twin))).ToList();
        bool AreAt(Func<Box, double> left) => boxes.TrueForAll(b => b is ({ } o, { } t) && Math.Abs(t.X - left(o)) <= Near && Math.Abs(t.Y - o.Y) <= Near && Math.Abs(t.Width - o.Width) <= Near);
        if (AreAt(o => of.Box.Width - o.X - o.Width) && boxes.Exists(b => Math.Abs(b.Of!.Value.X - b.Twin!.Value.X) > Near))
        {
            return new(false, true, false, null);
        }
        return AreAt(o => o.X) && same.Count(s => FormOf(s.Of) == FormOf(s.Twin)) * 2 > same.Count && GroundOf(of) - GroundOf(twin) > OtherLight ? new(true, false, false, null) : null;
    }

    private bool IsDarkOf(Picture twin, Picture of)
    {
        var (ours, theirs) = (PaintColours.Of(plan.LayerOf(twin)).ToList(), PaintColours.Of(plan.LayerOf(of)).ToList());
        if (ours.Count == 0 || ours.Count != theirs.Count)
        {
            return false;
        }
        // A picture with a ground of its own is dark where that is; ink alone is for dark grounds where it is light.
        return ours.Count > 1 && ours[0].Shape.Name == "rect" ? theirs[0].Colour.Luminance - ours[0].Colour.Luminance > OtherLight
            : ours.Average(c => c.Colour.Luminance) - theirs.Average(c => c.Colour.Luminance) > OtherLight;
    }

    // The whole screen is painted first.
    private static double? GroundOf(Screen screen) => PaintColours.Of(screen.Root).Select(p => (double?)p.Colour.Luminance).FirstOrDefault();

    private Fingerprint FormOf(Picture picture) => RepeatKey.FormOf(plan.DesignOf(picture).Measured.Drawing, plan.LayerOf(picture).Element);

    private Box? On(Screen screen, Picture picture) => plan.DesignOf(picture).Measured.ShapeOf(plan.LayerOf(picture)) is { } box ? box with { X = box.X - screen.Box.X, Y = box.Y - screen.Box.Y } : null;

    private Screen? ScreenOf(Picture picture) => plan.DesignOf(picture).Measured.ScreenOf(plan.LayerOf(picture));

    private static bool IsOpen(Picture picture) => picture.Twin is null && picture.State is null && picture.PartOf is null && picture.Making.Kind != Kinds.AppIcon;

    // No tag takes a picture out of a folder of its group.
    private static bool CanLieWith(Picture twin, Picture of) => twin.Making.FolderPrefix == of.Making.FolderPrefix || of.Making.FolderPath.Length > 0;

    private static bool Begins(IReadOnlyList<string> words, IReadOnlyList<string> with) => words.Take(with.Count).SequenceEqual(with, StringComparer.OrdinalIgnoreCase);
}
