namespace Kalypto.Core.Reading;

/// <summary>Refuses drawings that reach outside themselves or would grow without end when drawn.</summary>
internal static class Safety
{
    /// <summary>Refuses every reference to something outside the file.</summary>
    public static void RefuseOutsideReferences(ElementBuilder element)
    {
        var href = element["href"];
        if (href is not null && element.Name != "a"
            && !href.StartsWith('#') && !href.StartsWith("data:", StringComparison.OrdinalIgnoreCase) && href.Trim().Length > 0)
        {
            throw Outside(element, href);
        }
        if (href is not null && element.Name == "a")
        {
            element["href"] = null;
        }
        foreach (var value in element.Attributes.Select(a => a.Value).Concat(element.Declared?.Values.AsEnumerable() ?? []))
        {
            for (var at = value.IndexOf("url(", StringComparison.OrdinalIgnoreCase); at >= 0;
                 at = value.IndexOf("url(", at + 4, StringComparison.OrdinalIgnoreCase))
            {
                var target = value.AsSpan(at + 4).TrimStart([' ', '"', '\'']);
                if (!target.StartsWith('#') && !target.StartsWith("data:", StringComparison.OrdinalIgnoreCase))
                {
                    throw Outside(element, target[..Math.Min(target.Length, 80)].ToString().Split(')', '"', '\'')[0]);
                }
            }
        }
    }

    /// <summary>Refuses values in which brackets lie too deep in one another.</summary>
    public static void RefuseDeepNesting(ElementBuilder element, ReadingLimits limits)
    {
        foreach (var (name, value) in element.Attributes)
        {
            if (name is not ("d" or "points" or "href" or "id" or "class"))
            {
                Nesting.RefuseDeep(value, limits, $"The {name} of a <{element.Name}>", element.Line);
            }
        }
    }

    /// <summary>Refuses a filter with more steps than the limit.</summary>
    public static void RefuseLongFilters(ElementBuilder element, ReadingLimits limits)
    {
        if (element.Name == "filter" && element.Elements.Count() > limits.FilterPrimitives)
        {
            throw new DrawingRefusedException(
                $"A filter has more than {limits.FilterPrimitives} steps", "Make the effect simpler or a picture of it", element.Line);
        }
    }

    /// <summary>Refuses repeats that repeat themselves, and repeats of repeats that come to more than the limit.</summary>
    public static void RefuseEndlessRepeats(ElementBuilder root, IReadOnlyDictionary<string, ElementBuilder> byId, ReadingLimits limits)
    {
        var sizes = new Dictionary<ElementBuilder, long>();
        var open = new HashSet<ElementBuilder>();
        long Expanded(ElementBuilder element)
        {
            if (sizes.TryGetValue(element, out var known))
            {
                return known;
            }
            if (!open.Add(element) || open.Count > 2_000)
            {
                throw new DrawingRefusedException("A repeat (use) refers to itself or lies too deep", "Take the repeat apart in the drawing", element.Line);
            }
            var size = 1 + element.Elements.Sum(Expanded);
            if (element.Name == "use" && element["href"] is ['#', .. var id] && byId.TryGetValue(id, out var target))
            {
                size += Expanded(target);
            }
            open.Remove(element);
            if (size > limits.ExpandedElements)
            {
                throw new DrawingRefusedException(
                    $"Repeats of repeats come to more than {limits.ExpandedElements:N0} elements", "Take some repeats apart in the drawing", element.Line);
            }
            return sizes[element] = size;
        }
        Expanded(root);
    }

    private static DrawingRefusedException Outside(ElementBuilder element, string target) => new(
        $"A <{element.Name}> refers to “{Naming.PlainText.Clean(target, 60, "…")}” outside the file",
        "Embed it in the drawing; nothing outside the file is fetched", element.Line);
}
