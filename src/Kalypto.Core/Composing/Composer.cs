using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Composing;

/// <summary>
/// Turns the pieces of a screen into a tree of blocks, as somebody would build it: what lies in what, then rows and columns
/// by where straight lines part them, grids where both do, and a stack where nothing does.
/// </summary>
public static class Composer
{
    // pt: places that differ by less are the same.
    private const double Slack = 1;

    // What lies over one another more deeply than that is no layout.
    private const int MostLifted = 16;

    // Of a block, what may lie over its neighbour for both to follow one another still.
    private const double Touching = 0.2;

    // Rows in columns in rows deeper than that are no layout either.
    private const int Deepest = 48;

    // More that lie over one another are a picture in pieces.
    private const int MostTouching = 60;

    /// <summary>Composes a screen.</summary>
    /// <param name="width">In pt.</param>
    /// <param name="height">In pt.</param>
    /// <param name="pieces">From the bottom to the top.</param>
    public static Block Compose(double width, double height, IReadOnlyList<Piece> pieces)
    {
        var inside = Nesting.Of(pieces);
        Block BlockOf(int index) => inside[index].Any() ? Filled(Leaf(pieces[index]), [.. inside[index].Select(BlockOf)]) : Leaf(pieces[index]);
        return Filled(new(new(0, 0, width, height)), [.. inside[-1].Select(BlockOf)]);
    }

    /// <summary>Blocks beside one another, the left one first.</summary>
    public static Block Row(IReadOnlyList<Block> blocks) => blocks.Count == 1 ? blocks[0] : Along(blocks, isDown: false);

    /// <summary>Blocks below one another, the upper one first.</summary>
    public static Block Column(IReadOnlyList<Block> blocks) => blocks.Count == 1 ? blocks[0] : Along(blocks, isDown: true);

    private static Block Leaf(Piece piece) => new(piece.Box) { Piece = piece, Core = piece.Core };

    /// <summary>A block with others in it, arranged.</summary>
    private static Block Filled(Block block, IReadOnlyList<Block> children)
    {
        if (children.Count == 0)
        {
            return block;
        }
        var arranged = Arrange(children, 0, 0);
        // What only keeps the others together is the block itself.
        var filled = arranged.Piece is null ? arranged with { Box = block.Box, Core = block.Core, Piece = block.Piece } : Along([arranged], isDown: true) with { Box = block.Box, Core = block.Core, Piece = block.Piece };
        var all = Around(filled.Children);
        return filled with { Padding = new(R(all.Y - block.Box.Y), R(block.Box.Right - all.Right), R(block.Box.Bottom - all.Bottom), R(all.X - block.Box.X)) };
    }

    private static Block Arrange(IReadOnlyList<Block> blocks, int lifted, int depth)
    {
        if (blocks.Count == 1)
        {
            return blocks[0];
        }
        if (depth == Deepest)
        {
            return new(Around(blocks)) { Core = Around(blocks, b => b.Core), Flow = Flow.Stack, Children = [.. blocks] };
        }
        var (down, downRoom) = Cuts.Of(blocks, isDown: true);
        var (across, acrossRoom) = Cuts.Of(blocks, isDown: false);
        if (down.Count == 1 && across.Count == 1)
        {
            return Touch(blocks, isDown: true, depth) ?? Touch(blocks, isDown: false, depth) ?? Stacked(blocks, lifted, depth);
        }
        if (down.Count > 1 && across.Count > 1 && GridOf(down, depth) is { } grid)
        {
            return grid;
        }
        // The wider room parts what belongs less together; where one way does not part at all, the other does.
        var isDown = across.Count == 1 || (down.Count > 1 && downRoom >= acrossRoom);
        return Along([.. (isDown ? down : across).Select(g => Arrange(g, 0, depth + 1))], isDown);
    }

    /// <summary>Blocks of which each lies a little over the next one, one after the other; null where that would change what is painted over what.</summary>
    private static Block? Touch(IReadOnlyList<Block> blocks, bool isDown, int depth)
    {
        if (blocks.Count > MostTouching || Cuts.Of(blocks, isDown, Touching).Groups is not { Count: > 1 } groups)
        {
            return null;
        }
        var order = new Dictionary<Block, int>(ReferenceEqualityComparer.Instance);
        foreach (var (i, block) in blocks.Index())
        {
            order[block] = i;
        }
        var isPaintedSo = groups.Index().All(upper => groups.Take(upper.Index).All(lower => lower.All(l => upper.Item.All(u => order[l] < order[u] || l.Box.Intersect(u.Box).IsEmpty))));
        return isPaintedSo ? Along([.. groups.Select(g => Arrange(g, 0, depth + 1))], isDown) : null;
    }

    /// <summary>Blocks one after the other.</summary>
    private static Block Along(IReadOnlyList<Block> blocks, bool isDown)
    {
        var flow = isDown ? Flow.Column : Flow.Row;
        // What is a column itself goes on in the column that it is in, but for a list.
        List<Block> all = [.. blocks.SelectMany(b => b.Piece is null && b.Flow == flow && !b.IsList ? b.Children : [b])];
        all = isDown && !IsList(all) ? Lists(all) : all;
        return new(Around(all))
        {
            Core = Around(all, b => b.Core),
            Flow = flow,
            Children = [.. all],
            Gap = Same(all.Zip(all.Skip(1), (a, b) => Cuts.Start(b, isDown) - Cuts.End(a, isDown))),
            Align = AlignOf(all, isDown),
            IsList = IsList(all),
        };
    }

    /// <summary>The same blocks, with those that follow one another, hold others and look alike in a list of their own.</summary>
    private static List<Block> Lists(List<Block> blocks)
    {
        var all = new List<Block>();
        for (var from = 0; from < blocks.Count;)
        {
            var to = from + 1;
            while (to < blocks.Count && blocks[from] is { Piece: not null, Children.IsEmpty: false } && blocks[to].Look == blocks[from].Look)
            {
                to++;
            }
            all.Add(to - from > 1 ? Along(blocks[from..to], isDown: true) : blocks[from]);
            from = to;
        }
        return all;
    }

    /// <summary>Rows of equally many blocks, the last one of fewer perhaps, whose rows and columns are in line; null where they are no grid.</summary>
    private static Block? GridOf(IReadOnlyList<IReadOnlyList<Block>> rows, int depth)
    {
        var groups = rows.Select(r => Cuts.Of(r, isDown: false).Groups.ToList()).ToList();
        // Where the cells lie tells whether they are a grid; only then what is in them is arranged.
        List<List<Block>> places = [.. groups.Select(r => r.Select(g => new Block(Around(g))).ToList())];
        var columns = places[0].Count;
        if (columns < 2 || places.SkipLast(1).Any(r => r.Count != columns) || places[^1].Count > columns || places.Exists(r => !IsInLine(r, isDown: false))
            || Enumerable.Range(0, columns).Any(c => !IsInLine([.. places.Where(r => c < r.Count).Select(r => r[c])], isDown: true)))
        {
            return null;
        }
        List<List<Block>> cells = [.. groups.Select(r => r.Select(g => Arrange(g, 0, depth + 1)).ToList())];
        List<Block> all = [.. cells.SelectMany(r => r)];
        return new(Around(all))
        {
            Core = Around(all, b => b.Core),
            Flow = Flow.Grid,
            Columns = columns,
            Children = [.. all],
            Gap = Same(cells.SelectMany(r => r.Zip(r.Skip(1), (a, b) => b.Box.X - a.Box.Right))),
            RowGap = Same(cells.Zip(cells.Skip(1), (a, b) => b.Min(x => x.Box.Y) - a.Max(x => x.Box.Bottom))),
            IsList = IsList(all),
        };
    }

    /// <summary>Blocks that lie over one another. The largest is lifted off where it lies beneath or above all that it meets, and the rest is arranged again.</summary>
    private static Block Stacked(IReadOnlyList<Block> blocks, int lifted, int depth)
    {
        var at = Enumerable.Range(0, blocks.Count).MaxBy(i => (blocks[i].Box.Width * blocks[i].Box.Height, -i));
        var largest = blocks[at];
        List<int> met = [.. Enumerable.Range(0, blocks.Count).Where(i => i != at && blocks[i].Box.Intersect(largest.Box) is { Width: > 0, Height: > 0 })];
        var isBeneath = met.TrueForAll(i => i > at);
        if (lifted == MostLifted || (!isBeneath && !met.TrueForAll(i => i < at)))
        {
            return new(Around(blocks)) { Core = Around(blocks, b => b.Core), Flow = Flow.Stack, Children = [.. blocks] };
        }
        var rest = Arrange([.. blocks.Where((_, i) => i != at)], lifted + 1, depth + 1);
        ImmutableArray<Block> others = rest is { Flow: Flow.Stack, Piece: null } ? rest.Children : [rest];
        return new(Around(blocks)) { Core = Around(blocks, b => b.Core), Flow = Flow.Stack, Children = isBeneath ? [largest, .. others] : [.. others, largest] };
    }

    private static Align AlignOf(IReadOnlyList<Block> blocks, bool isDown)
    {
        bool All(Func<Block, double> value) => blocks.Max(value) - blocks.Min(value) <= Slack;
        var (starts, ends) = (All(b => Cuts.Start(b, !isDown)), All(b => Cuts.End(b, !isDown)));
        return starts && ends ? Align.Stretch : starts ? Align.Start : All(b => (Cuts.Start(b, !isDown) + Cuts.End(b, !isDown)) / 2) ? Align.Center : ends ? Align.End : Align.None;
    }

    private static bool IsInLine(IReadOnlyList<Block> blocks, bool isDown) => AlignOf(blocks, isDown) != Align.None;

    private static bool IsList(IReadOnlyList<Block> blocks) => blocks.Count > 1 && blocks.All(b => b.Look == blocks[0].Look);

    // One length for all, where they are about one.
    private static double? Same(IEnumerable<double> lengths) => lengths.ToList() is { Count: > 0 } all && all.Max() - all.Min() <= Slack ? R(all.Average()) : null;

    private static Box Around(IReadOnlyList<Block> blocks, Func<Block, Box>? box = null) => blocks.Select(box ?? (b => b.Box)).Aggregate((a, b) => a.Union(b));

    private static double R(double length) => Math.Round(length, 2);
}
