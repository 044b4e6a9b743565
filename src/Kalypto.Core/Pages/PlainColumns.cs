namespace Kalypto.Core.Pages;

/// <summary>Leaves out what blocks below one another do by themselves (CSS Display 3, section 2.1).</summary>
internal static class PlainColumns
{
    private static readonly HashSet<string> Inline = ["a", "button", "span"];

    /// <summary>Leaves it out in an element and all in it.</summary>
    public static void Give(PageElement body)
    {
        foreach (var element in body.All.Where(e => e.Tag is not ("body" or "a" or "button" or "span") && e.Style.Contains(("flex-direction", "column")) && !e.Style.Exists(s => s.Property is "gap" or "align-items")
            && e.Children.TrueForAll(c => !Inline.Contains(c.Tag) && !c.Style.Exists(s => s.Property is "flex" or "align-self") && c.Margin.Bottom is null)))
        {
            // The margin of a first child would reach out of its parent.
            if (element.Children[0].Margin.Top is null)
            {
                element.Style.RemoveAll(s => s is { Property: "display", Value: "flex" } or { Property: "flex-direction" });
            }
        }
    }
}
