using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading.Normalising;

/// <summary>Knows what goes into the steps of a filter (Filter Effects 1, 9.2).</summary>
internal static class FilterInputs
{
    /// <summary>True when a step takes in the colours of what is drawn, by whatever way; false for one that takes in its alpha or one colour, as those of shadows do.</summary>
    /// <remarks>Filters with more steps than the limits allow were refused before.</remarks>
    public static bool HaveColours(ElementBuilder step)
    {
        var steps = step.Parent?.Elements.TakeWhile(e => e != step).Append(step).ToList() ?? [step];
        var (open, seen) = (new Stack<int>([steps.Count - 1]), new HashSet<int>());
        while (open.TryPop(out var at))
        {
            foreach (var name in PassedOn(steps[at]))
            {
                var from = name is null ? at - 1 : steps.FindLastIndex(Math.Max(0, at - 1), e => e["result"] == name);
                if (name == "SourceGraphic" || (name is null && at == 0))
                {
                    return true;
                }
                if (from >= 0 && from < at && seen.Add(from))
                {
                    open.Push(from);
                }
            }
        }
        return false;
    }

    // The inputs whose colours come out of a step again; null for what the step before made.
    private static IEnumerable<string?> PassedOn(ElementBuilder step) => step.Name switch
    {
        "feFlood" or "feTurbulence" or "feImage" => [],
        "feMerge" => step.Elements.Select(e => In(e, "in")),
        "feColorMatrix" when IsOneColour(step) => [],
        "feComposite" when step["operator"] is "in" or "out" => [In(step, "in")],
        "feBlend" or "feComposite" => [In(step, "in"), In(step, "in2")],
        _ => [In(step, "in")],
    };

    private static string? In(ElementBuilder step, string name) => step[name] is { Length: > 0 } said ? said : null;

    private static bool IsOneColour(ElementBuilder matrix) => matrix["type"] == "luminanceToAlpha"
        || ((matrix["type"] ?? "matrix") == "matrix" && matrix["values"] is { } values && Numbers.List(values) is { Length: 20 } cells && Enumerable.Range(0, 15).All(i => i % 5 > 2 || cells[i] == 0));
}
