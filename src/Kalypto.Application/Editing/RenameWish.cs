using Kalypto.Core.Naming;

namespace Kalypto.Application.Editing;

/// <summary>New names for many layers, as somebody asks for them.</summary>
/// <param name="Find">What is looked for in the names; empty for all of them.</param>
/// <param name="Replace">What stands there instead.</param>
/// <param name="IsExpression">True when what is looked for is a regular expression.</param>
/// <param name="Style">How words are joined.</param>
/// <param name="Start">The first number.</param>
/// <param name="Suggest">True to give names from content to what has none.</param>
public sealed record RenameWish(string? Find, string? Replace, bool IsExpression, NameStyle Style, int Start, bool Suggest)
{
    /// <summary>What is wrong with it; null when nothing is.</summary>
    public string? Mistake => Suggest ? null : Change.Mistake;

    internal RenameMany Change => new(Find ?? "", Replace ?? "", IsExpression, Style, Start);
}
