namespace Kalypto.Core.Composing;

/// <summary>Parts blocks where nothing lies between them.</summary>
internal static class Cuts
{
    // pt: neighbours may lie over one another by as much and still be neighbours.
    private const double Overlap = 0.5;

    /// <summary>The groups of blocks that a straight line parts from one another, each in the order that it is painted, and the narrowest room that a line has.</summary>
    /// <param name="blocks">From the bottom to the top.</param>
    /// <param name="isDown">True for lines across, which part what lies above from what lies below.</param>
    /// <param name="share">The share of each block at both of its ends that may lie over its neighbours.</param>
    public static (IReadOnlyList<IReadOnlyList<Block>> Groups, double Room) Of(IReadOnlyList<Block> blocks, bool isDown, double share = 0)
    {
        double From(Block block) => isDown ? block.Core.Y + share * block.Core.Height : block.Core.X + share * block.Core.Width;
        double To(Block block) => isDown ? block.Core.Bottom - share * block.Core.Height : block.Core.Right - share * block.Core.Width;
        var groups = new List<List<(Block Block, int Index)>>();
        var (end, room) = (double.NegativeInfinity, double.PositiveInfinity);
        foreach (var (block, index) in blocks.Select((b, i) => (b, i)).OrderBy(b => From(b.b)).ThenBy(b => To(b.b)))
        {
            if (groups.Count == 0 || From(block) > end - Overlap)
            {
                room = groups.Count == 0 ? room : Math.Min(room, From(block) - end);
                groups.Add([]);
            }
            groups[^1].Add((block, index));
            end = Math.Max(end, To(block));
        }
        return ([.. groups.Select(g => (IReadOnlyList<Block>)[.. g.OrderBy(b => b.Index).Select(b => b.Block)])], room);
    }

    /// <summary>Where a block begins, in pt.</summary>
    public static double Start(Block block, bool isDown) => isDown ? block.Box.Y : block.Box.X;

    /// <summary>Where a block ends, in pt.</summary>
    public static double End(Block block, bool isDown) => isDown ? block.Box.Bottom : block.Box.Right;
}
