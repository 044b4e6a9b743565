using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>Refuses drawings that reach outside themselves or would grow without end when drawn.</summary>
internal static class Safety
{
    /// <summary>Takes out every reference to something outside the file, and says so: one that is missing costs its own element only.</summary>
    public static void LeaveOutOutsideReferences(ElementBuilder element, Action<string> note)
    {
        if (element["href"] is { } href && (element.Name == "a" || (!IsInside(href) && href.Trim().Length > 0)))
        {
            element["href"] = null;
            if (element.Name != "a")
            {
                note(Outside(element, href));
            }
        }
        foreach (var (name, value) in element.Attributes.Where(a => a.Name != "href" && References.IsAnywhere(a.Value)).Select(a => (a.Name, a.Value)).Concat(element.Declared?.Where(d => References.IsAnywhere(d.Value)).Select(d => (d.Key, d.Value)) ?? []).ToList())
        {
            if (Targets(value).FirstOrDefault(t => !IsInside(t)) is { } target)
            {
                element[name] = null;
                element.Declared?.Remove(name);
                note(Outside(element, target));
            }
        }
    }

    private static bool IsInside(string target) => target.StartsWith('#') || target.StartsWith("data:", StringComparison.OrdinalIgnoreCase);

    // Also of an address that never ends.
    private static IEnumerable<string> Targets(string value)
    {
        for (var at = value.IndexOf("url(", StringComparison.OrdinalIgnoreCase); at >= 0; at = value.IndexOf("url(", at + 4, StringComparison.OrdinalIgnoreCase))
        {
            var target = value.AsSpan(at + 4).TrimStart([' ', '"', '\'']);
            yield return target[..Math.Min(target.Length, 80)].ToString().Split(')', '"', '\'')[0];
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

    private static string Outside(ElementBuilder element, string target) =>
        $"A <{element.Name}> refers to “{Naming.PlainText.Clean(target, 60, "…")}” outside the file, which is not fetched; embed it in the drawing.";
}
