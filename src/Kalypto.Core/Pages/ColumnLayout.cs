using Kalypto.Core.Composing;

namespace Kalypto.Core.Pages;

/// <summary>Lays blocks below one another.</summary>
internal static class ColumnLayout
{
    /// <summary>Lays them into an element.</summary>
    /// <param name="layout">The page.</param>
    /// <param name="element">The element.</param>
    /// <param name="blocks">From the upper one to the lower one.</param>
    /// <param name="left">Where the room begins, in pt.</param>
    /// <param name="right">Where the room ends, in pt.</param>
    public static void Fill(PageLayout layout, PageElement element, IReadOnlyList<Block> blocks, double left, double right)
    {
        GridLayout.FindTables(layout, blocks);
        foreach (var block in blocks)
        {
            element.Children.Add(layout.InColumn(block, left, right, isAlone: blocks.Count == 1));
        }
        Space(element, blocks);
        if (blocks.Count > 1 || element.Children[0].Margin is { Left: "auto" })
        {
            element.Set("display", "flex");
            element.Set("flex-direction", "column");
        }
    }

    /// <summary>Puts the distances between elements below one another: one for all where they are one, else each its own.</summary>
    public static void Space(PageElement element, IReadOnlyList<Block> blocks)
    {
        List<double> gaps = [.. blocks.Zip(blocks.Skip(1), (a, b) => b.Box.Y - a.Box.Bottom)];
        if (gaps.Count == 0)
        {
            return;
        }
        var gap = gaps.TrueForAll(g => Math.Abs(g - gaps[0]) <= 0.6) ? Math.Max(0, gaps.Average()) : 0;
        // A distance that most of them have is that of all; the others say how they differ.
        if (gap == 0 && gaps.GroupBy(g => Math.Round(g)).MaxBy(g => g.Count()) is { Key: > 0 } most && most.Count() * 2 > gaps.Count)
        {
            gap = most.Average();
        }
        if (gap > 0.3)
        {
            element.Set("gap", Lengths.Px(gap));
        }
        for (var i = 0; i < gaps.Count; i++)
        {
            if (Math.Abs(gaps[i] - gap) > 0.6)
            {
                element.Children[i + 1].Margin = element.Children[i + 1].Margin with { Top = Lengths.Px(gaps[i] - gap) };
            }
        }
    }
}
