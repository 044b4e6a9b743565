using Kalypto.Core.Composing;

namespace Kalypto.Core.Pages;

/// <summary>Lays blocks into rows and columns.</summary>
internal static class GridLayout
{
    /// <summary>Lays them into an element; false where no grid of CSS shows them as they stand.</summary>
    public static bool TryFill(PageLayout layout, PageElement element, Block block, double left, double right)
    {
        var count = block.Columns;
        List<Block[]> rows = [.. block.Children.Chunk(count)];
        List<double> gaps = [.. rows.Zip(rows.Skip(1), (a, b) => b.Min(c => c.Box.Y) - a.Max(c => c.Box.Bottom))];
        if (gaps.Max() - gaps.Min() > 0.6)
        {
            return false;
        }
        bool All(Func<Block[], bool> row) => rows.TrueForAll(r => row(r));
        bool Same(Block[] row, Func<Block, double> value) => row.Max(value) - row.Min(value) <= 0.6;
        var (tops, middles) = (All(r => Same(r, b => b.Box.Y)), All(r => Same(r, b => b.Box.Y + b.Box.Height / 2)));
        if (!tops && !middles)
        {
            return false;
        }
        List<List<Block>> columns = [.. Enumerable.Range(0, count).Select(c => rows.Where(r => c < r.Length).Select(r => r[c]).ToList())];
        if (Cells(layout, columns, left, right) is not (var cells, var template, var gap, var before, var behind))
        {
            return false;
        }
        element = element.Inset(Lengths.Aside(before, right - left), Lengths.Aside(behind, right - left));
        element.Set("display", "grid");
        element.Set("grid-template-columns", template);
        var down = Math.Max(0, gaps.Average());
        element.Set("gap", Lengths.Px(down) == Lengths.Px(gap) ? Lengths.Px(gap) : $"{Lengths.Px(down)} {Lengths.Px(gap)}");
        if (!tops || !All(r => Same(r, b => b.Box.Bottom)))
        {
            element.Set("align-items", middles ? "center" : "start");
        }
        foreach (var (i, child) in block.Children.Index())
        {
            element.Children.Add(layout.InColumn(child, cells[i % count].Left, cells[i % count].Right, isAlone: cells[i % count].IsMiddle));
        }
        return true;
    }

    /// <summary>Lays a row into an element whose columns it shares with other rows.</summary>
    public static void FillRow(PageLayout layout, PageElement element, Block block, double[] starts, double left, double right)
    {
        var gap = Math.Max(0, Math.Min(16, starts.Skip(1).Select((s, i) => s - block.Children[i].Box.Right).Min()));
        var last = Math.Max(block.Children[^1].Box.Right, right);
        List<(double Left, double Right)> cells = [.. starts.Select((s, c) => (s, c == starts.Length - 1 ? last : starts[c + 1] - gap))];
        element = element.Inset(Lengths.Aside(starts[0] - left, right - left), null);
        element.Set("display", "grid");
        element.Set("grid-template-columns", string.Join(' ', cells.Select(c => $"minmax(0, {Lengths.Share(c.Right - c.Left)}fr)")));
        element.Set("gap", Lengths.Px(gap));
        element.Set("align-items", "center");
        foreach (var (i, child) in block.Children.Index())
        {
            element.Children.Add(layout.InColumn(child, cells[i].Left, cells[i].Right, isAlone: false));
        }
    }

    /// <summary>The rows of a column that begin their parts where the others do, as those of a table: three or more of three or more.</summary>
    public static void FindTables(PageLayout layout, IReadOnlyList<Block> column)
    {
        foreach (var rows in column.Where(b => b is { Piece: null, Flow: Flow.Row, Children.Length: >= 3 } && b.Children.All(c => c.Children.IsEmpty && layout.PartOf(c) is not { Kind: PartKind.Words, Values.Text.Anchor: not "start" })
            && b.Children.Max(c => c.Box.Y + c.Box.Height / 2) - b.Children.Min(c => c.Box.Y + c.Box.Height / 2) <= 0.6).GroupBy(b => b.Children.Length))
        {
            double[] starts = [.. Enumerable.Range(0, rows.Key).Select(c => rows.Min(r => r.Children[c].Box.X))];
            if (rows.Count() >= 3 && rows.All(r => r.Children.Index().All(c => c.Item.Box.X - starts[c.Index] <= 1 && (c.Index + 1 == starts.Length || c.Item.Box.Right <= starts[c.Index + 1]))))
            {
                layout.Share(rows, starts);
            }
        }
    }

    private static (List<(double Left, double Right, bool IsMiddle)> Cells, string Template, double Gap, double Before, double Behind)? Cells(PageLayout layout, List<List<Block>> columns, double left, double right)
    {
        List<double> middles = [.. columns.Select(c => c.Average(b => b.Box.X + b.Box.Width / 2))];
        var pitch = (middles[^1] - middles[0]) / (columns.Count - 1);
        var isEven = middles.Index().All(m => Math.Abs(middles[0] + m.Index * pitch - m.Item) <= 1) && columns.Zip(middles).All(c => c.First.TrueForAll(b => Math.Abs(b.Box.X + b.Box.Width / 2 - c.Second) <= 1));
        var widths = columns.SelectMany(c => c).Select(b => b.Box.Width).ToList();
        if (isEven && columns.SelectMany(c => c).All(b => b.Piece is { IsGround: true } || layout.PartOf(b) is { Kind: PartKind.Picture }) && widths.Max() - widths.Min() <= 1 && columns.SelectMany(c => c).All(b => b.Box.Width > 100))
        {
            // Cards of one size.
            var width = widths.Average();
            return ([.. middles.Select(m => (m - width / 2, m + width / 2, false))], RowLayout.Columns(columns.Count, width), pitch - width, middles[0] - width / 2 - left, right - middles[^1] - width / 2);
        }
        if (isEven && middles[0] - pitch / 2 >= left - 1.5 && middles[^1] + pitch / 2 <= right + 1.5 && widths.Max() <= pitch)
        {
            return ([.. middles.Select(m => (m - pitch / 2, m + pitch / 2, true))], $"repeat({columns.Count}, minmax(0, 1fr))", 0, middles[0] - pitch / 2 - left, right - middles[^1] - pitch / 2);
        }
        List<double> starts = [.. columns.Select(c => c.Min(b => b.Box.X))];
        if (!columns.Zip(starts).All(c => c.First.TrueForAll(b => b.Box.X - c.Second <= 1)))
        {
            return null;
        }
        var ends = columns.Select(c => c.Max(b => b.Box.Right)).ToList();
        var gap = Math.Max(0, Math.Min(24, Enumerable.Range(1, columns.Count - 1).Min(c => starts[c] - ends[c - 1])));
        var last = Math.Max(ends[^1], right);
        List<(double, double, bool)> cells = [.. starts.Select((s, c) => (s, c == starts.Count - 1 ? last : starts[c + 1] - gap, false))];
        return (cells, string.Join(' ', cells.Select(c => $"minmax(0, {Lengths.Share(c.Item2 - c.Item1)}fr)")), gap, starts[0] - left, right - last);
    }
}
