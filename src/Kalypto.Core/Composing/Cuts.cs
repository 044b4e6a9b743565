namespace Kalypto.Core.Composing;

/// <summary>Parts blocks where nothing lies between them.</summary>
internal static class Cuts
{
    // pt: neighbours may lie over one another by as much and still be neighbours.
    private const double Overlap = 0.5;

    /// <summary>The groups of blocks that a straight line parts from one another, and the narrowest room that a line has.</summary>
    /// <param name="blocks">The blocks.</param>
    /// <param name="isDown">True for lines across, which part what lies above from what lies below.</param>
    public static (IReadOnlyList<IReadOnlyList<Block>> Groups, double Room) Of(IReadOnlyList<Block> blocks, bool isDown)
    {
        var groups = new List<List<Block>>();
        var (end, room) = (double.NegativeInfinity, double.PositiveInfinity);
        foreach (var block in blocks.OrderBy(b => Start(b, isDown)).ThenBy(b => End(b, isDown)))
        {
            if (groups.Count == 0 || Start(block, isDown) > end - Overlap)
            {
                room = groups.Count == 0 ? room : Math.Min(room, Start(block, isDown) - end);
                groups.Add([]);
            }
            groups[^1].Add(block);
            end = Math.Max(end, End(block, isDown));
        }
        return (groups, room);
    }

    /// <summary>Where a block begins, in pt.</summary>
    public static double Start(Block block, bool isDown) => isDown ? block.Box.Y : block.Box.X;

    /// <summary>Where a block ends, in pt.</summary>
    public static double End(Block block, bool isDown) => isDown ? block.Box.Bottom : block.Box.Right;
}
