namespace Kalypto.Core.Designs;

/// <summary>Where the coordinates inside a layer lie in its drawing.</summary>
public static class LayerPlace
{
    /// <summary>From what is written inside a layer to drawing units, with its own transform; null when something on the way is not understood.</summary>
    public static Matrix? Of(Layer layer)
    {
        Matrix? placed = Matrix.Identity;
        foreach (var around in layer.DrawnAncestors().Reverse().Append(layer).Where(l => l.DrawnParent is not null))
        {
            placed = placed is { } outer && Own(around.Element) is { } own ? outer * own : null;
        }
        return placed;
    }

    /// <summary>What an element does to that which lies in it: its transform and, for a drawing inside, its box (SVG 2, 8.2 and 8.6); null when that is not understood.</summary>
    public static Matrix? Own(Element element) => Matrix.Parse(element["transform"]) is { } transform && (element.Name == "svg" ? OfBox(element) : Matrix.Identity) is { } box ? transform * box : null;

    private static Matrix? OfBox(Element box)
    {
        var (x, y) = (Numbers.Length(box["x"]) ?? 0, Numbers.Length(box["y"]) ?? 0);
        if (box["viewBox"] is null)
        {
            return new(1, 0, 0, 1, x, y);
        }
        if (Numbers.List(box["viewBox"]) is not [var left, var top, > 0 and var wide, > 0 and var tall])
        {
            return null;
        }
        var (width, height) = (Numbers.Length(box["width"]) ?? wide, Numbers.Length(box["height"]) ?? tall);
        var (across, down) = (width / wide, height / tall);
        var words = (box["preserveAspectRatio"] ?? "xMidYMid").Split(' ', StringSplitOptions.RemoveEmptyEntries).Where(w => w != "defer").ToArray();
        if (words is ["none", ..])
        {
            return new(across, 0, 0, down, x - left * across, y - top * down);
        }
        var scale = words is [_, "slice"] ? Math.Max(across, down) : Math.Min(across, down);
        var place = words is [{ Length: 8 } word, ..] ? word : "xMidYMid";
        double Share(string edge) => edge switch { "Min" => 0, "Max" => 1, _ => 0.5 };
        return new(scale, 0, 0, scale, x + (width - wide * scale) * Share(place[1..4]) - left * scale, y + (height - tall * scale) * Share(place[5..8]) - top * scale);
    }
}
