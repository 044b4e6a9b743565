namespace Kalypto.Core.Reading.Normalising;

/// <summary>
/// Writes <c>feDropShadow</c> as the five steps that Filter Effects level 1 defines it by: blur, offset, flood,
/// composite, merge. The renderer makes an element vanish that uses the short form.
/// </summary>
internal sealed class DropShadows : INormalisation
{
    public void Apply(ElementBuilder element, Action<string> note)
    {
        if (element.Name != "filter" || !element.Elements.Any(e => e.Name == "feDropShadow"))
        {
            return;
        }
        var steps = new List<object>();
        ElementBuilder? before = null;
        var number = 0;
        foreach (var step in element.Elements.ToList())
        {
            if (step.Name != "feDropShadow")
            {
                steps.Add(step);
                before = step;
                continue;
            }
            number++;
            var source = step["in"] ?? ResultOf(before, number) ?? "SourceGraphic";
            ElementBuilder Step(string name, params (string Name, string? Value)[] attributes)
            {
                var made = new ElementBuilder(name, element, step.Line);
                foreach (var (attribute, value) in attributes)
                {
                    made[attribute] = value;
                }
                return made;
            }
            var (alpha, offset, flood, shadow) = ($"shadow{number}a", $"shadow{number}b", $"shadow{number}c", $"shadow{number}d");
            steps.Add(Step("feGaussianBlur", ("in", source), ("stdDeviation", step["stdDeviation"] ?? "2"), ("result", alpha)));
            steps.Add(Step("feOffset", ("in", alpha), ("dx", step["dx"] ?? "2"), ("dy", step["dy"] ?? "2"), ("result", offset)));
            steps.Add(Step("feFlood", ("flood-color", step["flood-color"]), ("flood-opacity", step["flood-opacity"]),
                ("style", step["style"]), ("class", step["class"]), ("result", flood)));
            steps.Add(Step("feComposite", ("in", flood), ("in2", offset), ("operator", "in"), ("result", shadow)));
            var merge = Step("feMerge", ("result", step["result"]), ("x", step["x"]), ("y", step["y"]),
                ("width", step["width"]), ("height", step["height"]), ("color-interpolation-filters", step["color-interpolation-filters"]));
            foreach (var input in new[] { shadow, source })
            {
                var node = new ElementBuilder("feMergeNode", merge, step.Line);
                node["in"] = input;
                merge.Children.Add(node);
            }
            steps.Add(merge);
            before = merge;
            foreach (var made in steps.OfType<ElementBuilder>().Where(s => s.Line == step.Line))
            {
                made["color-interpolation-filters"] ??= step["color-interpolation-filters"];
            }
        }
        element.Children = steps;
    }

    private static string? ResultOf(ElementBuilder? before, int number)
    {
        if (before is null)
        {
            return null;
        }
        before["result"] ??= $"shadow{number}before";
        return before["result"];
    }
}
