using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tagging;

/// <summary>The built-in kinds of pictures, and what a kind of the team's own may be called.</summary>
public static class Kinds
{
    /// <summary>The kind that every platform makes its own launcher and site icons of.</summary>
    public const string AppIcon = "app-icon";

    /// <summary>The longest name of a kind.</summary>
    public const int Longest = 24;

    /// <summary>Their names, as they are typed.</summary>
    public static ImmutableArray<string> All { get; } = ["icon", "button", "logo", "photo", "picture", "screen", AppIcon];

    /// <summary>The kind of a layer that nobody gave one, from what it is made of.</summary>
    public static string Of(Layer layer) => layer.Content switch
    {
        LayerContent.Screen => "screen",
        LayerContent.Image => "photo",
        _ => "picture",
    };

    /// <summary>True for a word that can name a kind of the team's own: small letters, digits and dashes, and no other tag.</summary>
    public static bool MayName(string word) => IsWord(word) && !All.Contains(word) && !TagWord.BuiltIn.Any(w => w.Read(word) is not null || w.TakeAway(word) is not null || w.Form.StartsWith(word + ":", StringComparison.Ordinal));

    /// <summary>True for a word in the form of a kind.</summary>
    public static bool IsWord(string word) =>
        word.Length is > 1 and <= Longest && char.IsAsciiLetterLower(word[0]) && word[^1] != '-' && word.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '-');
}
