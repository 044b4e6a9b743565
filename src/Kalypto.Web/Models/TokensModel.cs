using Kalypto.Application.Opening;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;
using Kalypto.Core.Tokens;
using Kalypto.Core.Tokens.Code;

namespace Kalypto.Web.Models;

/// <summary>The tokens of a project, or of a delivery as they were then.</summary>
/// <param name="Rows">The tokens, kind by kind.</param>
/// <param name="Refused">Values that are no tokens: keys and words.</param>
/// <param name="Files">How they are written: a path and the text.</param>
public sealed record TokensModel(IReadOnlyList<TokenRow> Rows, IReadOnlyList<TokensModel.Refusal> Refused, IReadOnlyList<TokensModel.File> Files)
{
    private const int MostPlaces = 24;

    /// <summary>A value that is no token.</summary>
    public sealed record Refusal(string Key, string Words);

    /// <summary>A file of the pack.</summary>
    public sealed record File(string Path, string Text);

    /// <summary>Puts it together.</summary>
    /// <param name="workspace">The project.</param>
    /// <param name="book">Its tokens.</param>
    /// <param name="hrefOf">Where a layer is looked at; null for nowhere.</param>
    public static TokensModel Of(Workspace workspace, TokenBook book, Func<LayerRef, string?> hrefOf)
    {
        var said = TokensSaid.Read(workspace.Row.Tokens);
        var platforms = workspace.Platforms.Select(p => p.Id).ToHashSet();
        return new([.. book.Tokens.Select(t => RowOf(workspace, t, said, hrefOf))], [.. book.Refused.Select(v => new Refusal(v.Key, WordsOf(v)))],
            book.Tokens.IsEmpty ? [] : [.. TokenFiles.Of(platforms, book, workspace.Recipes.Code).Select(f => new File(f.Path, f.Text))]);
    }

    private static TokenRow RowOf(Workspace workspace, Token token, TokensSaid said, Func<LayerRef, string?> hrefOf)
    {
        var places = token.Places.Take(MostPlaces).Select(p => workspace.FindLayer(p.Design, p.Ordinal) is var (_, state, layer)
            ? new TokenRow.Place(state.NameOf(layer), state.Measured.ScreenOf(layer)?.Name ?? state.Name, hrefOf(p) ?? "") : null).OfType<TokenRow.Place>();
        return new(token.Value.Key, token.Value.Kind.ToString().ToLowerInvariant(), token.Name, WordsOf(token.Value), CssOf(token.Value), string.Join(", ", token.Uses), token.Places.Length, [.. places],
            string.Join("; ", token.Others.Select(WordsOf)), token.Others.Any(o => said.Merged.ContainsKey(o.Key)));
    }

    private static string WordsOf(TokenValue value) => value.Kind switch
    {
        TokenKind.Colour => CssCode.OfColour(value.Colour),
        TokenKind.Type => $"{(value.Type!.Family.Length > 0 ? value.Type.Family : "no family")} {value.Type.Weight}{(value.Type.IsItalic ? " italic" : "")}, {N(value.Type.Size)}{(value.Type.LineHeight is { } h ? "/" + N(h) : "")}{(value.Type.LetterSpacing != 0 ? $", letters {N(value.Type.LetterSpacing)} apart" : "")}",
        TokenKind.Shadow => string.Join(" and ", value.Shadows.Select(s => $"{N(s.X)} {N(s.Y)}, soft {N(s.Blur)}, {CssCode.OfColour(s.Colour)}{(s.IsInside ? ", inside" : "")}")),
        TokenKind.Border => $"{N(value.Border!.Width)} pt, {(value.Border.Fill is SolidFill s ? CssCode.OfColour(s.Colour) : "")}",
        _ => $"{N(value.Length)} pt",
    };

    private static string CssOf(TokenValue value) => value.Kind switch
    {
        TokenKind.Colour => CssCode.OfColour(value.Colour),
        TokenKind.Type => $"{value.Type!.Weight} {N(Math.Min(value.Type.Size, 28))}px",
        TokenKind.Shadow => CssCode.OfShadows(value.Shadows, CssCode.OfColour),
        TokenKind.Border => $"{N(value.Border!.Width)}px solid {(value.Border.Fill is SolidFill s ? CssCode.OfColour(s.Colour) : "transparent")}",
        _ => $"{N(Math.Min(value.Length, 60))}px",
    };

    private static string N(double number) => Numbers.Text(number, 2);
}
