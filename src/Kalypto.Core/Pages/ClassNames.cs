using Kalypto.Core.Naming;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Pages;

/// <summary>Names the rules of a page by the layers that they are for; equal rules are one.</summary>
internal sealed class ClassNames(ITokenNames tokens)
{
    private const int Longest = 32;
    private static readonly HashSet<string> Landmarks = ["body", "main", "header", "footer"];
    private readonly Dictionary<string, string> byRule = new(StringComparer.Ordinal);
    private readonly HashSet<string> taken = new(StringComparer.Ordinal);

    /// <summary>The rules: a selector and its declarations, in the order that they are first used.</summary>
    public List<PageRule> Rules { get; } = [];

    /// <summary>Names the rules of an element and of all in it.</summary>
    /// <param name="element">The element.</param>
    /// <param name="types">How words are set.</param>
    /// <param name="around">The class of the nearest element around it that has a name.</param>
    public void Name(PageElement element, TypeStyles types, string around = "")
    {
        var own = element.Declarations;
        var ownNarrow = element.Narrow?.Declarations ?? own;
        var name = NameOf(element);
        if (Landmarks.Contains(element.Tag))
        {
            if (own.Count + ownNarrow.Count > 0 && element.Tag != "body")
            {
                Rules.Add(new(element.Tag, [.. own], element.Part?.Layer) { Narrow = [.. NarrowRules.Between(own, ownNarrow)] });
            }
            name = element.Tag == "body" ? "" : name.Length > 0 ? name : element.Tag;
        }
        else if (own.Count + ownNarrow.Count > 0)
        {
            element.Classes.Add(ClassOf(name.Length > 0 ? name : Follow(around, element), own, element, ownNarrow));
        }
        if (element.Words is { } words)
        {
            var type = element.Type;
            var typeNarrow = element.Narrow?.Type ?? type;
            if (type.Count + typeNarrow.Count > 0)
            {
                element.Classes.Add(ClassOf(TypeName(words.Main, types), type, element, typeNarrow));
            }
        }
        var nearest = name.Length > 0 ? name : around;
        foreach (var child in element.Children)
        {
            Name(child, types, nearest);
        }
    }

    /// <summary>The class of a run that is set otherwise than the words around it.</summary>
    public string OfRun(TextRun run, TextRun around, TypeStyles types, PageElement element) => ClassOf("part", [.. types.Of(run, around)], element);

    private string ClassOf(string wanted, IReadOnlyList<(string Property, string Value)> declarations, PageElement element, IReadOnlyList<(string Property, string Value)>? narrow = null)
    {
        var rule = $"{string.Join(';', declarations)}|{string.Join(';', narrow ?? declarations)}";
        if (byRule.TryGetValue(rule, out var known))
        {
            return known;
        }
        var name = wanted;
        for (var number = 2; !taken.Add(name); number++)
        {
            name = $"{wanted}-{number}";
        }
        byRule[rule] = name;
        Rules.Add(new($".{name}", [.. declarations], element.Part?.Layer ?? element.Group?.Layer) { Narrow = narrow is null ? [] : [.. NarrowRules.Between(declarations, narrow)] });
        return name;
    }

    // Copies and numbers are none of the name of a thing that there are several of.
    private static string NameOf(PageElement element)
    {
        List<string> words = [.. Meanings.NameOf(element)];
        while (words.Count > 1 && (words[^1] == "copy" || words[^1].All(char.IsAsciiDigit)))
        {
            words.RemoveAt(words.Count - 1);
        }
        var name = NameWords.Join(words, "-", Longest);
        return name.Length > 0 && char.IsAsciiDigit(name[0]) ? "n" + name : name;
    }

    private static string Follow(string around, PageElement element)
    {
        string? Value(string property) => element.Style.Find(s => s.Property == property).Value;
        var role = element switch
        {
            { Tag: "img" } => "picture",
            { Words: not null } => "words",
            { Part: not null, Children.Count: 0 } => "shape",
            { Tag: "li" } => "item",
            _ when Value("display") == "grid" => "grid",
            _ when Value("flex-direction") == "column" => "column",
            _ when Value("display") == "flex" => "row",
            _ => "inner",
        };
        // The name of one around it is enough of a place.
        return around.Length > 0 ? $"{around}-{role}" : role;
    }

    private string TypeName(TextRun run, TypeStyles types) => tokens.NameOf(run.Type) ?? (run.Type.Size > types.Most!.Type.Size * 1.1 ? "heading" : run.Type.Size < types.Most.Type.Size * 0.95 ? "small" : "text");
}
