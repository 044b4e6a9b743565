using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Suggesting;

/// <summary>Layers side by side, grouped where they touch: what looks like one thing but was never put into a group.</summary>
internal sealed class LooseLayers
{
    // Half of the gap, in pt, across which parts of one icon still belong together, as a head and its shoulders do.
    private const double Touch = 1.1;
    private const int Most = 600;

    public LooseLayers(IEnumerable<(Layer Layer, Box Box, int Complex)> layers)
    {
        var list = layers.Take(Most).ToList();
        var leader = Enumerable.Range(0, list.Count).ToArray();
        for (var i = 0; i < list.Count; i++)
        {
            for (var j = 0; j < i; j++)
            {
                var common = list[i].Box.Inflate(Touch).Intersect(list[j].Box.Inflate(Touch));
                if (common is { Width: > 0, Height: > 0 })
                {
                    leader[Find(i)] = Find(j);
                }
            }
        }
        Groups = [.. list.Select((l, i) => (Item: l, Leader: Find(i))).GroupBy(l => l.Leader).Select(g => (
            g.Select(l => l.Item.Layer).ToImmutableArray(),
            g.Select(l => l.Item.Box).Aggregate((a, b) => a.Union(b)),
            g.Sum(l => l.Item.Complex)))];

        int Find(int i)
        {
            while (leader[i] != i)
            {
                i = leader[i] = leader[leader[i]];
            }
            return i;
        }
    }

    /// <summary>The groups with the box around each and how many outlines are in it.</summary>
    public ImmutableArray<(ImmutableArray<Layer> Layers, Box Box, int Complex)> Groups { get; }
}
