using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Tokens;

/// <summary>Names tokens by their role and use, where people gave no name.</summary>
internal static class TokenNaming
{
    // Degrees of hue in L*a*b* up to which a word holds.
    private static readonly (double Upto, string Word)[] Hues = [(20, "rose"), (50, "red"), (75, "orange"), (100, "yellow"), (125, "lime"), (165, "green"), (215, "teal"), (265, "sky"), (305, "blue"), (335, "violet"), (361, "rose")];

    /// <summary>Tokens with names, no two alike.</summary>
    public static ImmutableArray<Token> Name(IReadOnlyList<TokenSet> sets, TokensSaid said)
    {
        // By what they are in code: “body-1” and “body1” are one name there.
        var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        var named = new Dictionary<TokenSet, string>();
        // What people said goes first.
        foreach (var set in sets)
        {
            if (said.Names.TryGetValue(set.Value.Key, out var name))
            {
                named[set] = Free(name, taken);
            }
        }
        foreach (var kind in sets.GroupBy(s => s.Value.Kind))
        {
            var all = kind.ToList();
            foreach (var set in all.Where(s => !named.ContainsKey(s)))
            {
                named[set] = Free(Own(set, all), taken);
            }
        }
        return [.. sets.Select(s => new Token(named[s], s.Value, s.Uses, s.Places, [.. s.Others]))];
    }

    private static string Free(string name, HashSet<string> taken)
    {
        var free = name;
        for (var number = 2; !taken.Add(string.Concat(NameWords.Split(free))); number++)
        {
            free = $"{name}-{number}";
        }
        return free;
    }

    private static string Own(TokenSet set, List<TokenSet> all) => set.Value.Kind switch
    {
        TokenKind.Colour => $"{(set.Uses[0] == "gradient" ? "ground" : set.Uses[0])}-{WordsOf(set.Value.Colour)}",
        TokenKind.Type => OfType(set, all),
        TokenKind.Radius => "radius" + Rank(all.IndexOf(set), all.Count),
        TokenKind.Shadow => "shadow",
        TokenKind.Border => "border",
        _ => $"space-{Numbers.Text(set.Value.Length, 0)}",
    };

    private static string Rank(int at, int count) => count switch { 1 => "", 2 => at == 0 ? "-small" : "-large", 3 => at == 0 ? "-small" : at == 1 ? "-medium" : "-large", _ => $"-{at + 1}" };

    // The style that sets the most letters is the body; larger ones are headings, smaller ones are small.
    private static string OfType(TokenSet set, List<TokenSet> all)
    {
        var body = all.MaxBy(s => s.Letters)!;
        var size = set.Value.Type!.Size;
        if (set == body)
        {
            return "body";
        }
        if (size == body.Value.Type!.Size)
        {
            return $"body-{WeightOf(set.Value.Type.Weight)}{(set.Value.Type.IsItalic ? "-italic" : "")}";
        }
        if (size < body.Value.Type.Size)
        {
            return "small";
        }
        var larger = all.Select(s => s.Value.Type!.Size).Where(s => s > body.Value.Type.Size).Distinct().OrderDescending().ToList();
        return larger.Count == 1 ? "heading" : larger.IndexOf(size) is 0 ? "title" : larger.Count == 2 ? "heading" : $"heading-{larger.IndexOf(size)}";
    }

    private static string WeightOf(int weight) => weight switch { <= 350 => "light", <= 450 => "regular", <= 550 => "medium", <= 650 => "semibold", <= 750 => "bold", _ => "black" };

    private static string WordsOf(Colour colour)
    {
        var lab = Lab.Of(colour);
        var chroma = Math.Sqrt(lab.A * lab.A + lab.B * lab.B);
        var hue = (Math.Atan2(lab.B, lab.A) * 180 / Math.PI + 360) % 360;
        var word = chroma < 6 ? lab.L > 97 ? "white" : lab.L < 6 ? "black" : "gray" : Hues.First(h => hue < h.Upto).Word;
        var depth = word is "white" or "black" ? "" : lab.L switch { < 22 => "deep-", < 45 => "dark-", < 72 => "", < 88 => "light-", _ => "pale-" };
        return $"{depth}{word}{(colour.Alpha < 1 ? $"-{Numbers.Text(colour.Alpha * 100, 0)}" : "")}";
    }
}
