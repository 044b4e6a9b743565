using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>
/// Layers that look like others beside them, by the nearest one that was found: the card under a photo went where the photo went.
/// Where none was found, they are where they were.
/// </summary>
internal static class Companions
{
    /// <summary>Pairs those of the children of a layer that are drawn alike and lie where their nearest companion says.</summary>
    public static void Pair(Pairing pairing, int around, List<int> old, List<int> now)
    {
        var free = now.Where(b => pairing.ToOld[b] < 0).GroupBy(b => Drawn(pairing.New, b, 0, 0)).ToDictionary(g => g.Key, g => new Queue<int>(g));
        var left = old.FindAll(a => pairing.ToNew[a] < 0);
        var nearest = new PriorityQueue<(int Layer, int Companion), double>();
        var known = new Dictionary<int, (int Companion, double Distance)>();
        var found = pairing.Old.Layers[around].Children.Select(c => c.Ordinal).Where(c => pairing.ToNew[c] >= 0 && pairing.New.Parent[pairing.ToNew[c]] == pairing.ToNew[around]).ToList();
        foreach (var layer in left)
        {
            known[layer] = (-1, double.PositiveInfinity);
        }
        found.ForEach(Near);
        while (nearest.TryDequeue(out var next, out var distance))
        {
            if (known.TryGetValue(next.Layer, out var best) && best.Companion == next.Companion && known.Remove(next.Layer) && Take(next.Layer, MoveOf(next.Companion)))
            {
                Near(next.Layer);
            }
        }
        foreach (var layer in known.Keys.Order())
        {
            Take(layer, (0, 0));
        }

        // Whatever is found may be the nearest of others.
        void Near(int companion)
        {
            if (pairing.Old.Box[companion] is not { } box)
            {
                return;
            }
            foreach (var (layer, best) in known)
            {
                if (pairing.Old.Box[layer] is { } other && Distance(box, other) is var distance && distance < best.Distance)
                {
                    known[layer] = (companion, distance);
                    nearest.Enqueue((layer, companion), distance);
                }
            }
        }

        bool Take(int a, (double X, double Y) move)
        {
            if (!free.TryGetValue(Drawn(pairing.Old, a, move.X, move.Y), out var same) || !same.TryDequeue(out var b))
            {
                return false;
            }
            ChildPairs.Whole(pairing, a, b);
            return true;
        }

        (double X, double Y) MoveOf(int a) => pairing.Old.Box[a] is { } from && pairing.New.Box[pairing.ToNew[a]] is { } to ? (to.X - from.X, to.Y - from.Y) : (0, 0);
    }

    // Between their edges; what overlaps is the nearer, the smaller the larger of both is.
    private static double Distance(Box a, Box b)
    {
        var (x, y) = (Math.Max(0, Math.Max(a.X, b.X) - Math.Min(a.X + a.Width, b.X + b.Width)), Math.Max(0, Math.Max(a.Y, b.Y) - Math.Min(a.Y + a.Height, b.Y + b.Height)));
        return x + y > 0 ? x + y : -1 / (1 + Math.Max(a.Width, b.Width) + Math.Max(a.Height, b.Height));
    }

    private static (int Print, int Name, double? X, double? Y) Drawn(Traits traits, int layer, double x, double y) =>
        (traits.Print[layer], traits.Name[layer], ChildPairs.Rounded(traits.Box[layer]?.X + x), ChildPairs.Rounded(traits.Box[layer]?.Y + y));
}
