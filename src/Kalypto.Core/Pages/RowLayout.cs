using Kalypto.Core.Composing;

namespace Kalypto.Core.Pages;

/// <summary>Lays blocks beside one another.</summary>
internal static class RowLayout
{
    // pt: what is wider goes below its neighbour where the window is narrow.
    private const double Wraps = 160;
    private const double Slack = 1.5;

    // pt: what stands in the middle of its part of a row may have a part that reaches further than the row.
    private const double Reach = 12;

    // pt: more room than that behind words is room that they may take.
    private const double Usual = 16.5;

    // pt: a row that needs more than that goes on below where the window is narrow.
    private const double Narrow = 270;

    /// <summary>Lays them into an element.</summary>
    public static void Fill(PageLayout layout, PageElement element, Block block, double left, double right)
    {
        var all = block.Children;
        if (layout.ColumnsOf(block) is { } columns)
        {
            GridLayout.FillRow(layout, element, block, columns, left, right);
            return;
        }
        if (IsEven(layout, all, left, right))
        {
            Even(layout, element, block, left, right);
        }
        else if (AreAlike(all, left, right))
        {
            Alike(layout, element, block);
        }
        else
        {
            Beside(layout, element, block, left, right);
        }
        Across(element, all);
    }

    /// <summary>How things beside one another stand to one another in height: all in the middle, or each as it was drawn.</summary>
    private static void Across(PageElement element, IReadOnlyList<Block> all)
    {
        var children = element.Children.Count == 1 && all.Count > 1 ? element.Children[0] : element;
        bool Same(Func<Block, double> value) => all.Max(value) - all.Min(value) <= 0.6;
        var (tops, bottoms) = (Same(b => b.Box.Y), Same(b => b.Box.Bottom));
        if (tops && bottoms && children.Children.TrueForAll(c => c.Tag == "div"))
        {
            return;
        }
        if (Same(b => b.Box.Y + b.Box.Height / 2))
        {
            children.Set("align-items", "center");
        }
        else if (bottoms)
        {
            children.Set("align-items", "flex-end");
        }
        else
        {
            children.Set("align-items", "flex-start");
            var top = all.Min(b => b.Box.Y);
            foreach (var (i, block) in all.Index())
            {
                children.Children[i].Margin = children.Children[i].Margin with { Top = Lengths.Some(block.Box.Y - top) };
            }
        }
    }

    /// <summary>Three or more whose middles are as far from one another, each alone in its part of the room.</summary>
    public static bool IsEven(PageLayout layout, IReadOnlyList<Block> all, double left, double right)
    {
        if (all.Count < 3)
        {
            return false;
        }
        var middles = all.Select(b => b.Box.X + b.Box.Width / 2).ToList();
        var pitch = (middles[^1] - middles[0]) / (all.Count - 1);
        return middles.Index().All(m => Math.Abs(middles[0] + m.Index * pitch - m.Item) <= 1) && middles[0] - pitch / 2 >= left - Reach && middles[^1] + pitch / 2 <= right + Reach
            && all.All(b => b.Box.Width <= pitch) && !all.All(b => b.Piece is { IsGround: true }) && all.All(b => IsMiddle(layout, b));
    }

    // Words that begin at one edge are no part of what stands in the middle.
    private static bool IsMiddle(PageLayout layout, Block block) => block.All.All(b => layout.PartOf(b) is not { Kind: PartKind.Words, Values.Text.Anchor: "end" });

    private static void Even(PageLayout layout, PageElement element, Block block, double left, double right)
    {
        var all = block.Children;
        var middles = all.Select(b => b.Box.X + b.Box.Width / 2).ToList();
        var pitch = (middles[^1] - middles[0]) / (all.Length - 1);
        var (before, behind) = (middles[0] - pitch / 2 - left, right - middles[^1] - pitch / 2);
        if (left + before < -0.3 || right - behind > layout.Width + 0.3)
        {
            // What reaches beyond the window is nothing that one scrolls to.
            element.Set("overflow", "clip");
        }
        // What is less than a px at each end is not worth an element.
        var inner = element.IsPainted && Math.Abs(before) <= 1.2 && Math.Abs(behind) <= 1.2 ? element : element.Inset(Lengths.Aside(before, right - left), Lengths.Aside(behind, right - left));
        inner.Set("display", "grid");
        inner.Set("grid-template-columns", $"repeat({all.Length}, minmax(0, 1fr))");
        foreach (var (i, child) in all.Index())
        {
            inner.Children.Add(layout.InColumn(child, middles[i] - pitch / 2, middles[i] + pitch / 2, isAlone: true));
        }
    }

    /// <summary>Boxes of one width that fill the room, with one distance between them.</summary>
    private static bool AreAlike(IReadOnlyList<Block> all, double left, double right) => all[0].Box.X - left <= Slack && right - all[^1].Box.Right <= Slack
        && all.All(b => b.Piece is { IsGround: true } && Math.Abs(b.Box.Width - all[0].Box.Width) <= 1)
        && all.Zip(all.Skip(1), (a, b) => b.Box.X - a.Box.Right).ToList() is var gaps && gaps.Max() - gaps.Min() <= 1;

    private static void Alike(PageLayout layout, PageElement element, Block block)
    {
        var width = block.Children.Average(b => b.Box.Width);
        element.Set("display", "grid");
        element.Set("grid-template-columns", Columns(block.Children.Length, width));
        element.Set("gap", Lengths.Px(block.Children.Zip(block.Children.Skip(1), (a, b) => b.Box.X - a.Box.Right).Average()));
        foreach (var child in block.Children)
        {
            element.Children.Add(layout.Content(child, child.Box.X, child.Box.Right));
        }
    }

    /// <summary>Columns of one width; wide ones become fewer where the window is narrow.</summary>
    public static string Columns(int count, double width) => width >= Wraps ? $"repeat(auto-fit, minmax(min(100%, {Lengths.Px(Math.Floor(width * 0.7))}), 1fr))" : $"repeat({count}, minmax(0, 1fr))";

    /// <summary>Some take what room the others leave, or all keep their sizes.</summary>
    private static void Beside(PageLayout layout, PageElement element, Block block, double left, double right)
    {
        var all = block.Children;
        var (before, behind, width) = (all[0].Box.X - left, right - all[^1].Box.Right, right - left);
        List<double> gaps = [.. all.Zip(all.Skip(1), (a, b) => b.Box.X - a.Box.Right)];
        var growing = Growing(layout, all, gaps, behind);
        // Beside a bar along the edge of the window, the rest keeps off by itself.
        var isBeside = all.Length == 2 && all[0].Box.X <= 1 && all[0].Piece is not null && all[1].Piece is null && growing[1];
        element.Set("display", "flex");
        var grows = growing.Contains(true);
        // Where nothing grows, one wide room parts what stands left from what stands right.
        var apart = grows ? -1 : gaps.FindIndex(g => g > Math.Max(40, width * 0.12) && g > 2 * gaps.Where(o => o != g).DefaultIfEmpty(0).Max() && behind <= Math.Max(before, 48));
        List<double> wanted = [.. gaps.Select((g, i) => growing[i] && IsWords(layout, all[i]) ? Math.Min(g, 16) : i == apart ? 16 : isBeside ? 0 : g)];
        var gap = Math.Max(0, wanted.Min());
        if (gap > 0.3)
        {
            element.Set("gap", Lengths.Px(gap));
        }
        var isLastWide = growing[^1] && IsWords(layout, all[^1]);
        var end = isLastWide ? Math.Max(right, all[^1].Box.Right) : all[^1].Box.Right;
        var isMiddle = !grows && apart < 0 && Math.Abs(before - behind) <= 2 && before > 1;
        var isEnd = !grows && apart < 0 && !isMiddle && before > behind;
        if (isMiddle || isEnd)
        {
            element.Set("justify-content", isMiddle ? "center" : "flex-end");
        }
        var rooms = all.Select((b, i) => isBeside && i == 0 ? b.Box.Width : i == all.Length - 1 ? end - b.Box.X : growing[i] ? all[i + 1].Box.X - wanted[i] - b.Box.X : b.Box.Width).ToList();
        var isOne = growing.Count(g => g) == 1;
        // What keeps its size leaves the words beside it too little where the window is narrow.
        var firm = all.Index().Where(b => !growing[b.Index]).Sum(b => b.Item.Box.Width) + gaps.Where(g => g <= Usual).Sum();
        var large = rooms.Where((r, i) => (growing[i] || layout.PartOf(all[i]) is not { Kind: PartKind.Picture }) && r >= Wraps).Count();
        var wraps = (grows && growing.Zip(rooms).Count(g => g.First && g.Second >= Wraps) is var wide && (wide > 1 || (wide == 1 && (large > 1 || firm > 130))))
            || (!grows && block.Box.Width - (apart < 0 ? 0 : gaps[apart]) > Narrow);
        if (wraps)
        {
            element.Set("flex-wrap", "wrap");
        }
        foreach (var (i, child) in all.Index())
        {
            PageElement item;
            if (growing[i])
            {
                item = layout.InColumn(child, isBeside && i == 1 ? all[0].Box.Right : child.Box.X, child.Box.X + rooms[i], isAlone: false);
                item.Style.RemoveAll(s => s is { Property: "width" or "max-width", Value: "100%" });
                // A share of the room beside a base that adds up to what was drawn.
                item.Set("flex", isBeside ? i == 0 ? $"1 1 {Lengths.Px(rooms[0])}" : $"999 1 {Lengths.Px(rooms[1] * 0.6)}" : wraps ? $"{(isOne ? "1" : Lengths.Share(rooms[i]))} 1 {Lengths.Px(isOne ? Math.Min(rooms[i] * 0.8, 200) : rooms[i] * 0.7)}" : isOne ? "1" : $"{Lengths.Share(rooms[i])} 1 0%");
                item.Set("min-width", "0");
            }
            else
            {
                item = layout.Content(child, child.Box.X, child.Box.Right);
                Keep(item, child, layout);
            }
            if (i > 0 && i - 1 == apart)
            {
                item.Margin = item.Margin with { Left = "auto" };
            }
            else if (i > 0 && wanted[i - 1] - gap is var more && Math.Abs(more) > 0.3)
            {
                item.Margin = item.Margin with { Left = Lengths.Aside(more, width) };
            }
            element.Children.Add(item);
        }
        // The room at the ends belongs to the row where it is only a row, else to what stands there.
        var isPushed = grows || apart >= 0 || isEnd;
        element.Around(isMiddle || isEnd ? null : Lengths.Aside(before, width), isPushed && !isLastWide && !isMiddle ? Lengths.Aside(right - end, width) : null);
    }

    /// <summary>Which ones take the room that is left: boxes and columns beside one another; words before a wider room, or at the end.</summary>
    private static List<bool> Growing(PageLayout layout, IReadOnlyList<Block> all, List<double> gaps, double behind)
    {
        List<bool> flexible = [.. all.Select(layout.IsFlexible)];
        List<bool> growing = [.. all.Select((b, i) => flexible[i] && (layout.SaidOf(b).Fills == true || !IsWords(layout, b) || (i == all.Count - 1 ? all.Count > 1 : gaps[i] > Usual)))];
        var leaves = all.Index().Where(b => growing[b.Index] && b.Item.Children.IsEmpty && layout.SaidOf(b.Item).Fills != true).Select(b => b.Index).ToList();
        // Several words in a row are each as long as they are; what stands at the right end stays there.
        if (leaves.Count > 1 || (leaves.Count == 1 && all.Count(b => layout.PartOf(b) is { Kind: PartKind.Words }) > 2 && growing.Count(g => g) == 1))
        {
            leaves.ForEach(i => growing[i] = false);
        }
        // Nothing grows towards a room that stays empty.
        if (!growing[^1] && behind > 24 && growing.Index().All(g => !g.Item || IsWords(layout, all[g.Index])) && gaps.TrueForAll(g => g <= 40))
        {
            growing = [.. growing.Select(_ => false)];
        }
        return growing;
    }

    // Words, and what is only a group of them.
    private static bool IsWords(PageLayout layout, Block block) => block.Piece is null || layout.PartOf(block) is { Kind: PartKind.Words };

    private static void Keep(PageElement item, Block child, PageLayout layout)
    {
        if (item.Words is not null)
        {
            WordsLayout.Set(item, child, child.Box.X, child.Box.Right, isCentred: false);
            return;
        }
        if (layout.PartOf(child) is { Kind: PartKind.Picture })
        {
            // A small picture keeps its size, a large one gives way.
            if (child.Box.Width > 120)
            {
                item.Set("flex", "0 1 auto");
                item.Set("min-width", "0");
            }
            return;
        }
        // Shapes without words have no width of their own.
        var isFirm = child.Piece is not null || child.All.All(b => layout.PartOf(b) is not { Kind: PartKind.Words });
        if (isFirm)
        {
            item.Set("width", Lengths.Px(child.Box.Width));
        }
        if (isFirm && child.Box.Width <= 120)
        {
            item.Set("flex", "none");
        }
        else
        {
            item.Set("max-width", "100%");
        }
    }
}
