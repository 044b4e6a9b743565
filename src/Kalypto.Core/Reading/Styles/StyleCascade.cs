using ExCSS;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading.Styles;

/// <summary>
/// Writes what style sheets say onto the elements themselves, so that a layer keeps its looks when it is drawn
/// without its siblings, and two equal layers are equal whatever their classes are called.
/// </summary>
internal sealed class StyleCascade
{
    private readonly ILookup<string, StyleRuleLine> byKey;
    private readonly int count;

    private readonly SelectorMatcher matcher;

    public StyleCascade(IReadOnlyList<StyleRuleLine> rules, ReadingLimits limits)
    {
        if (rules.Count > limits.StyleRules)
        {
            throw new DrawingRefusedException($"The style sheets have more than {limits.StyleRules:N0} selectors", "Leave out the rules that the drawing does not use");
        }
        matcher = new(limits.StyleSteps);
        count = rules.Count;
        byKey = rules.ToLookup(rule => KeyOf(rule.Selector));
    }

    /// <summary>Sets <see cref="ElementBuilder.Declared"/> of one element.</summary>
    public void Apply(ElementBuilder element)
    {
        Dictionary<string, string>? declared = null;
        if (count > 0)
        {
            var matching = Candidates(element).Where(rule => matcher.Matches(rule.Selector, element)).ToList();
            matching.Sort((a, b) => a.Specificity != b.Specificity ? a.Specificity.CompareTo(b.Specificity) : a.Order.CompareTo(b.Order));
            foreach (var (name, value, _) in matching.SelectMany(rule => rule.Declarations).Where(d => !d.Important))
            {
                (declared ??= [])[name] = value;
            }
            Inline(element, ref declared);
            foreach (var (name, value, _) in matching.SelectMany(rule => rule.Declarations).Where(d => d.Important))
            {
                (declared ??= [])[name] = value;
            }
        }
        else
        {
            Inline(element, ref declared);
        }
        element.Declared = declared;
    }

    private static void Inline(ElementBuilder element, ref Dictionary<string, string>? declared)
    {
        if (element["style"] is { } style)
        {
            foreach (var (name, value) in StyleText.Parse(style))
            {
                var important = value.IndexOf("!important", StringComparison.OrdinalIgnoreCase);
                var plain = important < 0 ? value : value[..important].TrimEnd();
                var fonts = name == "font" ? FontShorthand.Read(plain) : [];
                foreach (var (property, its) in fonts.Count > 0 ? fonts : [(name, plain)])
                {
                    (declared ??= [])[property] = its;
                }
            }
        }
    }

    private IEnumerable<StyleRuleLine> Candidates(ElementBuilder element)
    {
        var rules = byKey["*"].Concat(byKey[element.Name]);
        if (element["id"] is { } id)
        {
            rules = rules.Concat(byKey["#" + id]);
        }
        if (element["class"] is { } classes)
        {
            rules = rules.Concat(classes
                .Split([' ', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries).Distinct()
                .SelectMany(c => byKey["." + c]));
        }
        return rules;
    }

    /// <summary>What an element must at least have for the selector to pick it: an id, a class or a name.</summary>
    private static string KeyOf(ISelector selector) => selector switch
    {
        IdSelector id => "#" + id.Id,
        ClassSelector c => "." + c.Class,
        TypeSelector type => type.Name,
        CompoundSelector compound => compound.Select(KeyOf).OrderBy(k => k[0] switch { '#' => 0, '.' => 1, '*' => 3, _ => 2 }).First(),
        ComplexSelector complex => KeyOf(complex.Last().Selector),
        _ => "*",
    };
}
