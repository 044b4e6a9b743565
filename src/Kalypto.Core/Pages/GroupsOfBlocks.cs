using System.Runtime.CompilerServices;
using Kalypto.Core.Composing;

namespace Kalypto.Core.Pages;

/// <summary>Finds the groups of the drawing that blocks stand for: the outermost around just what is in the block.</summary>
internal sealed class GroupsOfBlocks
{
    private readonly PageScreen screen;
    private readonly Dictionary<int, PagePart> parts;
    private readonly Dictionary<int, int> sizes;
    private readonly ConditionalWeakTable<Block, StrongBox<(int Count, List<int> Shared)>> known = [];

    public GroupsOfBlocks(PageScreen screen)
    {
        this.screen = screen;
        parts = screen.Parts.ToDictionary(p => p.Layer);
        sizes = screen.Parts.SelectMany(p => p.Groups).CountBy(g => g).ToDictionary();
    }

    /// <summary>The group of a block; null for none.</summary>
    public PageGroup? Of(Block block)
    {
        var (count, shared) = Known(block);
        // From the inside out: the last that has no more in it is the outermost; one with a name is better.
        var all = shared.Where(g => sizes[g] == count).Select(g => screen.Groups[g]).ToList();
        return all.FindLast(g => g.Name.Length > 0) ?? all.LastOrDefault();
    }

    private (int Count, List<int> Shared) Known(Block block) => known.GetValue(block, b => new(Find(b))).Value;

    private (int Count, List<int> Shared) Find(Block block)
    {
        IEnumerable<(int Count, List<int> Shared)> all = block.Children.Select(Known);
        if (block.Piece is { } piece)
        {
            all = all.Prepend((1, [.. parts[piece.Layer].Groups]));
        }
        return all.Aggregate((a, b) => (a.Count + b.Count, [.. a.Shared.Where(b.Shared.Contains)]));
    }
}
