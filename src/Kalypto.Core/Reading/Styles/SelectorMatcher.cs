using ExCSS;

namespace Kalypto.Core.Reading.Styles;

/// <summary>Says whether a selector picks an element (Selectors level 3, without what depends on a user).</summary>
internal sealed class SelectorMatcher(long mostSteps)
{
    /// <summary>True when every part of the selector is known here.</summary>
    public static bool Understands(ISelector selector) => selector switch
    {
        AllSelector or TypeSelector or ClassSelector or IdSelector => true,
        CompoundSelector compound => compound.All(Understands),
        ComplexSelector complex => complex.All(c => Understands(c.Selector) && c.Delimiter is null or "" or " " or ">" or "+" or "~"),
        ChildSelector child => child is FirstChildSelector or LastChildSelector,
        PseudoClassSelector pseudo => pseudo.Class is "root" or "first-child" or "last-child" or "only-child",
        NotSelector not => Understands(not.Inner),
        AttrAvailableSelector or AttrMatchSelector => true,
        _ => false,
    };

    private long steps;

    /// <summary>True when the selector picks the element.</summary>
    /// <exception cref="DrawingRefusedException">The style sheets cost more comparisons than the limit.</exception>
    public bool Matches(ISelector selector, ElementBuilder element)
    {
        if (++steps > mostSteps)
        {
            throw new DrawingRefusedException("The style sheets are too entangled to be worked out", "Write the styles onto the layers, or use simpler selectors");
        }
        return Compare(selector, element);
    }

    private bool Compare(ISelector selector, ElementBuilder element) => selector switch
    {
        AllSelector => true,
        TypeSelector type => type.Name == element.Name,
        ClassSelector c => HasClass(element, c.Class),
        IdSelector id => element["id"] == id.Id,
        CompoundSelector compound => compound.All(s => Matches(s, element)),
        ComplexSelector complex => MatchesChain([.. complex], element),
        FirstChildSelector nth => MatchesNth(nth.Step, nth.Offset, element, fromEnd: false),
        LastChildSelector nth => MatchesNth(nth.Step, nth.Offset, element, fromEnd: true),
        NotSelector not => !Matches(not.Inner, element),
        AttrMatchSelector attr => element[attr.Attribute] == attr.Value,
        AttrAvailableSelector attr => element[attr.Attribute] is not null,
        PseudoClassSelector pseudo => pseudo.Class switch
        {
            "root" => element.Parent is null,
            "first-child" => element.Position == 1,
            "last-child" => element.PositionFromEnd == 1,
            _ => element.Position == 1 && element.PositionFromEnd == 1,
        },
        _ => false,
    };

    private bool MatchesChain(CombinatorSelector[] chain, ElementBuilder element) =>
        Matches(chain[^1].Selector, element) && MatchesBefore(chain, chain.Length - 2, element);

    /// <summary>Matches the parts up to <paramref name="at"/> against what comes before or around the element.</summary>
    private bool MatchesBefore(CombinatorSelector[] chain, int at, ElementBuilder element)
    {
        if (at < 0)
        {
            return true;
        }
        var selector = chain[at].Selector;
        switch (chain[at].Delimiter)
        {
            case ">":
                return element.Parent is { } parent && Matches(selector, parent) && MatchesBefore(chain, at - 1, parent);
            case "+":
                return element.Previous is { } sibling && Matches(selector, sibling) && MatchesBefore(chain, at - 1, sibling);
            case "~":
                for (var before = element.Previous; before is not null; before = before.Previous)
                {
                    if (Matches(selector, before) && MatchesBefore(chain, at - 1, before))
                    {
                        return true;
                    }
                }
                return false;
            default:
                for (var around = element.Parent; around is not null; around = around.Parent)
                {
                    if (Matches(selector, around) && MatchesBefore(chain, at - 1, around))
                    {
                        return true;
                    }
                }
                return false;
        }
    }

    private static bool MatchesNth(int step, int offset, ElementBuilder element, bool fromEnd)
    {
        var n = (fromEnd ? element.PositionFromEnd : element.Position) - offset;
        return step == 0 ? n == 0 : n % step == 0 && n / step >= 0;
    }

    private static bool HasClass(ElementBuilder element, string name)
    {
        var classes = element["class"];
        return classes is not null
            && classes.Contains(name, StringComparison.Ordinal)
            && classes.Split([' ', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries).Contains(name);
    }
}
