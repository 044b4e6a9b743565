using Kalypto.Core.Deciding;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Comparing;

/// <summary>
/// One of several equal drawings that is drawn otherwise in a next draft: it shared one file with the others until then, and
/// gets a file, and so a name, of its own.
/// </summary>
public static class SplitRepeats
{
    /// <summary>The names of those that share a file no more, by lineage. What most of them show keeps the name.</summary>
    /// <param name="before">The draft that held until now.</param>
    /// <param name="now">The next one.</param>
    /// <param name="marks">What is said of the layers of the design, by lineage.</param>
    public static IReadOnlyDictionary<int, string> Names(DraftDrawing before, DraftDrawing now, IReadOnlyDictionary<int, Mark> marks)
    {
        var names = new Dictionary<int, string>();
        var shipped = marks.Where(m => m.Value.Decision == Decision.Ship && before.Lineages.OrdinalOf(m.Key) is { } o && o < before.Measured.Drawn.Layers.Length)
            .Select(m => (Lineage: m.Key, Mark: m.Value, Old: before.Lineages.OrdinalOf(m.Key)!.Value)).OrderBy(m => m.Old).ToList();
        var taken = shipped.Select(s => Name(s.Mark, s.Old)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var shared in shipped.Where(s => !s.Mark.Apart && before.Measured.RepeatKeys[s.Old] is not null).GroupBy(s => (before.Measured.RepeatKeys[s.Old], Name(s.Mark, s.Old))).Where(g => g.Count() > 1))
        {
            var parts = shared.Where(s => now.Lineages.OrdinalOf(s.Lineage) is not null)
                .GroupBy(s => now.Measured.RepeatKeys[now.Lineages.OrdinalOf(s.Lineage)!.Value]).OrderByDescending(g => g.Count()).ToList();
            foreach (var part in parts.Skip(1))
            {
                var name = FreeName.Of(shared.Key.Item2, taken.Contains);
                taken.Add(name);
                foreach (var (lineage, _, _) in part)
                {
                    names[lineage] = name;
                }
            }
        }
        return names;

        string Name(Mark mark, int old) => mark.NameOf(before.Measured.Drawn.Layers[old]);
    }
}
