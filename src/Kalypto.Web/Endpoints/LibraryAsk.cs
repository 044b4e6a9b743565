using Kalypto.Core.Library;

namespace Kalypto.Web.Endpoints;

/// <summary>What is asked of the library, as it stands in an address.</summary>
internal sealed record LibraryAsk(string? Words, string? Kind, string? Platform, double? From, double? To, string? Colour, string? Like, int Skip = 0)
{
    private const int LongestWords = 200;

    public LibraryQuery Query => new()
    {
        Words = Words is { Length: > LongestWords } ? Words[..LongestWords] : Words ?? "",
        Kind = string.IsNullOrEmpty(Kind) ? null : Kind,
        Platform = string.IsNullOrEmpty(Platform) ? null : Platform,
        From = From,
        To = To,
        Colour = Colour,
        Like = PictureHash.Parse(Like),
    };
}
