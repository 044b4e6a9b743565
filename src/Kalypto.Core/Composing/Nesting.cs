using Kalypto.Core.Designs;

namespace Kalypto.Core.Composing;

/// <summary>Finds what lies in what: a piece lies in the smallest box beneath it that holds all of it.</summary>
public static class Nesting
{
    // pt: what a piece may stick out of the box that it lies in.
    private const double Slack = 0.75;

    // Grounds are found by the cell of a grid that the middle of a piece lies in; one that covers more cells is looked at for all.
    private const double Cell = 128;
    private const int MostCells = 64;
    private const int Deepest = 32;

    /// <summary>The pieces that lie in each piece, and under -1 those that lie in none; by their numbers, in the order that they are painted.</summary>
    /// <param name="pieces">From the bottom to the top.</param>
    public static ILookup<int, int> Of(IReadOnlyList<Piece> pieces)
    {
        var large = new List<int>();
        var byCell = new Dictionary<(int, int), List<int>>();
        foreach (var ground in Enumerable.Range(0, pieces.Count).Where(i => pieces[i].IsGround))
        {
            List<(int, int)> cells = [.. CellsOf(pieces[ground].Box).Take(MostCells + 1)];
            foreach (var cell in cells.Count > MostCells ? [] : cells)
            {
                if (!byCell.TryGetValue(cell, out var there))
                {
                    byCell[cell] = there = [];
                }
                there.Add(ground);
            }
            if (cells.Count > MostCells)
            {
                large.Add(ground);
            }
        }
        // The smallest that holds a piece is the one; of equal ones the upper one.
        double Area(int i) => pieces[i].Box.Width * pieces[i].Box.Height;
        int ParentOf(int i) => (byCell.GetValueOrDefault(CellOf(pieces[i].Box.X + pieces[i].Box.Width / 2, pieces[i].Box.Y + pieces[i].Box.Height / 2)) ?? []).Concat(large)
            .Where(g => g < i && Holds(pieces[g].Box, pieces[i].Box)).Select(g => (int?)g).OrderBy(g => Area(g!.Value)).ThenByDescending(g => g).FirstOrDefault() ?? -1;
        var (parents, depths) = (new int[pieces.Count], new int[pieces.Count]);
        for (var i = 0; i < pieces.Count; i++)
        {
            parents[i] = ParentOf(i);
            // Boxes in boxes without end lie in the last one of them.
            parents[i] = parents[i] >= 0 && depths[parents[i]] >= Deepest ? parents[parents[i]] : parents[i];
            depths[i] = parents[i] < 0 ? 0 : depths[parents[i]] + 1;
        }
        return Enumerable.Range(0, pieces.Count).ToLookup(i => parents[i]);
    }

    private static (int, int) CellOf(double x, double y) => ((int)Math.Floor(Math.Clamp(x, -1e6, 1e6) / Cell), (int)Math.Floor(Math.Clamp(y, -1e6, 1e6) / Cell));

    private static IEnumerable<(int, int)> CellsOf(Box box)
    {
        var ((left, top), (right, bottom)) = (CellOf(box.X - Slack, box.Y - Slack), CellOf(box.Right + Slack, box.Bottom + Slack));
        for (var y = top; y <= bottom; y++)
        {
            for (var x = left; x <= right; x++)
            {
                yield return (x, y);
            }
        }
    }

    private static bool Holds(Box outer, Box inner) => inner.X >= outer.X - Slack && inner.Y >= outer.Y - Slack && inner.Right <= outer.Right + Slack && inner.Bottom <= outer.Bottom + Slack;
}
