using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;

namespace Kalypto.Core.Typography;

/// <summary>Which families the texts of a project ask for.</summary>
public static class FontUses
{
    /// <summary>The families, those that are not there first, then by name.</summary>
    /// <param name="designs">The designs.</param>
    /// <param name="standIn">The family drawn instead of the first of a list, where that does not come with Kalypto; null for one that does.</param>
    public static ImmutableArray<FontUse> Of(IReadOnlyList<DesignState> designs, Func<string, string?> standIn)
    {
        var asked = new Dictionary<string, Gathered>(StringComparer.OrdinalIgnoreCase);
        foreach (var design in designs)
        {
            var fonts = design.Measured.Drawn.Fonts;
            foreach (var layer in design.Layers.Where(l => l.Content == LayerContent.Text))
            {
                foreach (var font in AskedFont.Of(layer))
                {
                    if (FamilyList.Wanted(font.Families) is { } family)
                    {
                        var gathered = asked.TryGetValue(family, out var known) ? known : asked[family] = new(family, fonts.StandInFor(font.Families, standIn));
                        gathered.Faces.Add((font.Weight, font.IsItalic));
                        gathered.Own.UnionWith(fonts.Fonts.Where(f => f.Answers(family)));
                        if (gathered.Layers.Count == 0 || gathered.Layers[^1] != new LayerRef(design.Id, layer.Ordinal))
                        {
                            gathered.Layers.Add(new(design.Id, layer.Ordinal));
                        }
                    }
                }
            }
        }
        return [.. asked.Values.Select(a => new FontUse(a.Family, [.. FontBook.Of(a.Own).Fonts], a.Own.Count > 0 ? null : a.StandIn, [.. a.Faces], [.. a.Layers]))
            .OrderBy(u => u.StandIn is null).ThenBy(u => u.Family, StringComparer.OrdinalIgnoreCase)];
    }

    private sealed class Gathered(string family, string? standIn)
    {
        public string Family => family;

        public string? StandIn => standIn;

        public SortedSet<(int Weight, bool IsItalic)> Faces { get; } = [];

        public HashSet<Font> Own { get; } = [];

        public List<LayerRef> Layers { get; } = [];
    }
}
