using Kalypto.Core.Composing;

namespace Kalypto.Core.Pages;

/// <summary>Lays blocks over one another, in one cell of a grid.</summary>
internal static class StackLayout
{
    private const double Slack = 1;

    /// <summary>Lays them into an element, the lowest first.</summary>
    public static void Fill(PageLayout layout, PageElement element, Block block, double left, double right)
    {
        element.Set("display", "grid");
        element.Set("grid-template-columns", "minmax(0, 1fr)");
        var box = block.Children.Aggregate(block.Children[0].Box, (all, b) => all.Union(b.Box));
        var lowest = box.Y;
        foreach (var child in block.Children)
        {
            var isAll = child.Box.X - left <= Slack && right - child.Box.Right <= Slack && child.Box.Y - box.Y <= Slack && box.Bottom - child.Box.Bottom <= Slack;
            var item = isAll ? layout.Content(child, left, right) : layout.InColumn(child, left, right, isAlone: false);
            item.Set("grid-area", "1 / 1");
            if (!isAll)
            {
                item.Set("align-self", "start");
                // What has words gets higher where they break, and still keeps off the lower edge.
                item.Margin = item.Margin with { Top = Lengths.Some(child.Box.Y - box.Y), Bottom = item.All.Any(e => e.Words is not null) ? Lengths.Some(Math.Max(0, box.Bottom - child.Box.Bottom)) : null };
                lowest = Math.Max(lowest, child.Box.Bottom);
            }
            else if (item.Tag == "img")
            {
                // As large as the others make it, whatever its own size.
                item.Set("width", "100%");
                item.Set("height", "0");
                item.Set("min-height", "100%");
                item.Set("object-fit", "cover");
            }
            else
            {
                item.Style.RemoveAll(s => s.Property == "height");
                lowest = child.Children.IsEmpty ? lowest : Math.Max(lowest, child.Box.Bottom);
            }
            // What has an opacity, filter or the like is painted above all that has none (CSS Painting Order).
            if (element.Children.Exists(MakesLayer) && !MakesLayer(item))
            {
                item.Set("z-index", "1");
            }
            element.Children.Add(item);
        }
        if (lowest < box.Bottom - 0.3 && !element.Style.Exists(s => s.Property == "min-height"))
        {
            element.Set("min-height", Lengths.Px(element.IsPainted ? block.Box.Height : box.Height));
        }
    }

    private static bool MakesLayer(PageElement element) => element.Style.Exists(s => s.Property is "opacity" or "filter" or "mix-blend-mode" or "transform" or "z-index" or "clip-path");
}
