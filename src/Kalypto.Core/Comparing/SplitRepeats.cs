using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
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
    /// <param name="elsewhere">What ships in other designs of the project: the drawing and what it is called.</param>
    public static IReadOnlyDictionary<int, string> Names(
        DraftDrawing before, DraftDrawing now, IReadOnlyDictionary<int, Mark> marks, IReadOnlyCollection<(Fingerprint Drawing, string Name)>? elsewhere = null)
    {
        var others = (elsewhere ?? []).Select(e => (e.Drawing, Words(e.Name))).ToHashSet();
        var names = new Dictionary<int, string>();
        var shipped = marks.Where(m => m.Value.Decision == Decision.Ship && before.Lineages.OrdinalOf(m.Key) is { } o && o < before.Measured.Drawn.Layers.Length)
            .Select(m => (Lineage: m.Key, Mark: m.Value, Old: before.Lineages.OrdinalOf(m.Key)!.Value)).OrderBy(m => m.Old).ToList();
        var taken = shipped.Select(s => Name(s.Mark, s.Old)).Concat((elsewhere ?? []).Select(e => e.Name)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var shared in shipped.Where(s => !s.Mark.Apart && before.Measured.RepeatKeys[s.Old] is not null)
            .GroupBy(s => (Drawing: before.Measured.RepeatKeys[s.Old]!.Value, Words: Words(Name(s.Mark, s.Old)))))
        {
            var isElsewhere = others.Contains(shared.Key);
            if (shared.Count() == 1 && !isElsewhere)
            {
                continue;
            }
            var parts = shared.Where(s => now.Lineages.OrdinalOf(s.Lineage) is not null)
                .GroupBy(s => now.Measured.RepeatKeys[now.Lineages.OrdinalOf(s.Lineage)!.Value]).OrderByDescending(g => g.Count()).ToList();
            // What other designs show keeps the name, or else what most show here.
            foreach (var part in isElsewhere ? parts.Where(p => p.Key != shared.Key.Drawing) : parts.Skip(1))
            {
                var name = FreeName.Of(Name(shared.First().Mark, shared.First().Old), taken.Contains);
                taken.Add(name);
                foreach (var (lineage, _, _) in part)
                {
                    names[lineage] = name;
                }
            }
        }
        return names;

        static string Words(string name) => string.Join('-', NameWords.Split(name));

        string Name(Mark mark, int old) => mark.NameOf(before.Measured.Drawn.Layers[old]);
    }
}
