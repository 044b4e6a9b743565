using System.Text.RegularExpressions;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>How far the filters of a picture look: what lies further away changes nothing of what they give at a place.</summary>
internal static partial class FilterReach
{
    // Three deviations of a blur hold all that is seen of it, as the three boxes do that draw it (Filter Effects 1, 9.10).
    private const double Deviations = 3;
    private const int MostSteps = 200_000;
    private const int MostRepeatsInEachOther = 16;

    /// <summary>The reach of the filters of what lies in each other, summed up, in drawing units.</summary>
    /// <param name="around">The elements around what is drawn, which only place it.</param>
    /// <param name="drawn">What is drawn.</param>
    /// <param name="definitions">What it refers to.</param>
    /// <param name="longest">The longest side of the drawing, in drawing units: the reach of steps that count from a box.</param>
    public static double Of(IEnumerable<Element> around, Element drawn, IReadOnlyDictionary<string, Definition> definitions, double longest)
    {
        var (most, seen, filters) = (0.0, new Dictionary<string, (double Reach, double Scale)>(), new Dictionary<(string Id, double Unit), double>());
        var open = new Stack<(Element Element, double Reach, double Scale, int Repeats)>([(drawn, 0, around.Aggregate(1.0, (scale, outer) => scale * ScaleOf(outer)), 0)]);
        for (var steps = 0; steps < MostSteps && open.TryPop(out var at); steps++)
        {
            var scale = at.Scale * ScaleOf(at.Element);
            var reach = at.Reach + OwnOf(at.Element, scale);
            most = Math.Max(most, reach);
            foreach (var child in at.Element.Elements)
            {
                open.Push((child, reach, scale, at.Repeats));
            }
            foreach (var id in at.Element.References.Where(_ => at.Repeats < MostRepeatsInEachOther))
            {
                if (definitions.TryGetValue(id, out var definition) && definition.Element.Name != "filter" && (!seen.TryGetValue(id, out var before) || before.Reach < reach || before.Scale < scale))
                {
                    seen[id] = (Math.Max(before.Reach, reach), Math.Max(before.Scale, scale));
                    open.Push((definition.Element, reach, scale, at.Repeats + 1));
                }
            }
        }
        return most;

        double OwnOf(Element element, double scale) => element.Style("filter") is not { } filter || filter == "none" ? 0
            : scale * FunctionsOf(filter) + References.Of("filter", filter).Sum(id => StepsOf(id, scale));

        double StepsOf(string id, double scale)
        {
            if (!definitions.TryGetValue(id, out var definition) || definition.Element is not { Name: "filter" } filter)
            {
                return 0;
            }
            // A part of the box of what is filtered, which has no more than the drawing; else a length.
            var unit = filter["primitiveUnits"] == "objectBoundingBox" ? longest : scale;
            return filters.TryGetValue((id, unit), out var known) ? known : filters[(id, unit)] = Of(filter, unit, longest);
        }
    }

    /// <summary>True for a filter that spreads or leaves what a step made of nothing: that is drawn in all of its region, however far from what goes in.</summary>
    public static bool FillsItsRegion(Element filter)
    {
        if (filter.Name != "filter")
        {
            return false;
        }
        var (named, last) = (new Dictionary<string, bool>(), false);
        foreach (var step in filter.Elements)
        {
            bool Fills(string? input) => input is null ? last : named.GetValueOrDefault(input);
            var (first, second) = (Fills(step["in"]), Fills(step["in2"]));
            var any = first || second || step.Elements.Any(e => e.Name == "feMergeNode" && Fills(e["in"]));
            if (any && step.Name is "feGaussianBlur" or "feOffset" or "feDropShadow" or "feMorphology" or "feConvolveMatrix" or "feDisplacementMap")
            {
                return true;
            }
            last = step.Name switch
            {
                "feFlood" => Numbers.List(step.Style("flood-opacity")) is not [0],
                "feTurbulence" or "feImage" or "feTile" or "feDiffuseLighting" or "feSpecularLighting" => true,
                "feComponentTransfer" => first || step.Elements.Any(e => e.Name == "feFuncA"),
                "feColorMatrix" => first || Numbers.List(step["values"]) is { Length: 20 } values && values[19] > 0,
                "feComposite" => step["operator"] switch
                {
                    "in" => first && second,
                    "out" => first,
                    "atop" => second,
                    "arithmetic" => any || Largest(step["k4"], 0) > 0,
                    _ => any,
                },
                _ => any,
            };
            if (step["result"] is { } name)
            {
                named[name] = last;
            }
        }
        return last;
    }

    private static double FunctionsOf(string filter) =>
        Functions().Matches(filter).Sum(f => Deviations * f.Groups["lengths"].Value.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Sum(l => Math.Abs(Numbers.Length(l) ?? 0)));

    /// <summary>The reach of the steps of a filter, each from what goes into it.</summary>
    private static double Of(Element filter, double unit, double longest)
    {
        var (named, last, most) = (new Dictionary<string, double>(), 0.0, 0.0);
        foreach (var step in filter.Elements)
        {
            var inputs = step.Elements.Prepend(step).SelectMany(e => new[] { e["in"], e["in2"] }).OfType<string>().Select(n => named.GetValueOrDefault(n));
            last = inputs.Append(last).Max() + step.Name switch
            {
                "feGaussianBlur" => Deviations * unit * Largest(step["stdDeviation"], 0),
                "feDropShadow" => unit * (Deviations * Largest(step["stdDeviation"], 2) + Math.Max(Largest(step["dx"], 2), Largest(step["dy"], 2))),
                "feOffset" => unit * Math.Max(Largest(step["dx"], 0), Largest(step["dy"], 0)),
                "feMorphology" => unit * Largest(step["radius"], 0),
                "feConvolveMatrix" => Largest(step["order"], 3) * Math.Max(1, Largest(step["kernelUnitLength"], 1)),
                "feDisplacementMap" => unit * Largest(step["scale"], 0),
                "feTile" => longest,
                _ => 0,
            };
            most = Math.Max(most, last);
            if (step["result"] is { } name)
            {
                named[name] = last;
            }
        }
        return most;
    }

    private static double Largest(string? numbers, double usual) => Numbers.List(numbers) is { Length: > 0 } list ? list.Max(Math.Abs) : usual;

    private static double ScaleOf(Element element)
    {
        var scale = element["transform"] is { } said && Matrix.Parse(said) is { } m ? Math.Max(Math.Sqrt(m.A * m.A + m.B * m.B), Math.Sqrt(m.C * m.C + m.D * m.D)) : 1;
        if (element.Name == "svg" && Numbers.List(element["viewBox"]) is [_, _, > 0 and var wide, > 0 and var tall] && (Numbers.Length(element["width"]), Numbers.Length(element["height"])) is ({ } width, { } height))
        {
            scale *= Math.Max(width / wide, height / tall);
        }
        return double.IsFinite(scale) && scale > 0 ? scale : 1;
    }

    [GeneratedRegex(@"(blur|drop-shadow)\((?<lengths>[^)]*)\)", RegexOptions.IgnoreCase)]
    private static partial Regex Functions();
}
