using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Library;

/// <summary>Finds what was shipped.</summary>
public static class LibrarySearch
{
    private const double NearColour = 16;
    private const double LeastShare = 0.06;

    /// <summary>Finds drawings, the best first: by likeness, else by how much has the colour, else by where the words stand (the name before the screen), else the newest.</summary>
    /// <param name="all">Everything that was shipped.</param>
    /// <param name="query">What is looked for.</param>
    public static ImmutableArray<LibraryEntry> Find(IEnumerable<ShippedLayer> all, LibraryQuery query)
    {
        var words = query.Words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
        var colour = Colour.Parse(query.Colour) is { } asked ? Lab.Of(asked) : (Lab?)null;
        return [.. all.GroupBy(l => l.Drawing)
            .Where(g => g.Any(l => Matches(l, query, words)))
            .Select(g => (Places: g.OrderByDescending(l => l.Newest?.At).ThenBy(l => l.ProjectName, StringComparer.Ordinal).ThenBy(l => l.Design).ThenBy(l => l.Lineage).ToImmutableArray(), g.First().Look))
            .Select(g => (Entry: new LibraryEntry(g.Places, DistanceOf(g.Look, query.Like)), Share: colour is { } c ? ShareOf(g.Look, c) : 1))
            .Where(g => (query.Like.IsEmpty || g.Entry.Distance <= PictureHash.Alike) && g.Share >= LeastShare)
            .OrderBy(g => g.Entry.Distance).ThenByDescending(g => colour is null ? 0 : g.Share).ThenBy(g => g.Entry.Places.Min(p => RankOf(p, words))).ThenByDescending(g => g.Entry.Shown.Newest?.At)
            .ThenBy(g => g.Entry.Shown.Name, StringComparer.OrdinalIgnoreCase).ThenBy(g => g.Entry.Shown.Drawing, StringComparer.Ordinal).Select(g => g.Entry)];
    }

    private static bool Matches(ShippedLayer layer, LibraryQuery query, string[] words) =>
        (query.Kind is null || layer.Kind == query.Kind) && (query.Platform is null || layer.Platforms.Contains(query.Platform))
        && (query.From is not { } from || layer.Side >= from - 0.5) && (query.To is not { } to || layer.Side <= to + 0.5)
        && words.All(w => Texts(layer).Any(t => t.Contains(w, StringComparison.OrdinalIgnoreCase)));

    private static string[] Texts(ShippedLayer layer) => [layer.Name, layer.Layer, layer.Kind, layer.Tags, layer.Screen, layer.ProjectName];

    // A word in the name says more than one in the screen that the drawing stands on.
    private static int RankOf(ShippedLayer layer, string[] words) => words.Sum(w =>
        string.Equals(layer.Name, w, StringComparison.OrdinalIgnoreCase) ? 0
        : layer.Name.Contains(w, StringComparison.OrdinalIgnoreCase) ? 1
        : layer.Layer.Contains(w, StringComparison.OrdinalIgnoreCase) ? 2
        : layer.Kind.Contains(w, StringComparison.OrdinalIgnoreCase) || layer.Tags.Contains(w, StringComparison.OrdinalIgnoreCase) ? 3 : 4);

    private static int DistanceOf(PictureLook? look, ImmutableArray<PictureHash> like) =>
        like.IsEmpty ? 0 : look?.Hash is { } hash ? like.Min(hash.DistanceTo) : PictureHash.Farthest;

    private static double ShareOf(PictureLook? look, Lab colour) => look?.Colours.Where(c => Lab.Of(Colour.Parse(c.Hex)!.Value).DistanceTo(colour) <= NearColour).Sum(c => c.Share) ?? 0;
}
