using System.Collections.Immutable;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>The files of tokens that go with a pack.</summary>
public static class TokenFiles
{
    private static readonly ImmutableArray<ITokenWriter> Writers = [new TokenJson(), new TokenCss(), new TokenSwift(), new TokenKotlin(), new TokenResources(), new TokenXaml(), new TokenDart()];

    /// <summary>The files for some platforms; none without tokens.</summary>
    public static IEnumerable<SideFile> Of(IEnumerable<string> platforms, TokenBook book, CodeStyle code) => book.Tokens.IsEmpty ? []
        : Writers.Where(w => platforms.Contains(w.Platform)).Select(w => new SideFile(w.Platform, w.Path, () => w.Write(book.Tokens, code)));
}
