namespace Kalypto.Core.Tokens.Code;

/// <summary>What all files of tokens say alike.</summary>
internal static class TokenText
{
    /// <summary>What it is used for and how often, for whoever reads the code.</summary>
    public static string About(Token token) => $"{string.Join(", ", token.Uses)}, in {token.Places.Length} places";
}
