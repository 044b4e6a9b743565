using Kalypto.Core.Library;
using Kalypto.Core.Naming;

namespace Kalypto.Web.Endpoints;

/// <summary>What is asked of the library, as it stands in an address.</summary>
internal sealed record LibraryAsk(string? Words, string? Kind, string? Platform, double? From, double? To, string? Colour, string? Like, int Skip = 0)
{
    private const int LongestWords = 200;

    public LibraryQuery Query => new()
    {
        Words = PlainText.Clean(Words, LongestWords),
        Kind = string.IsNullOrEmpty(Kind) ? null : Kind,
        Platform = string.IsNullOrEmpty(Platform) ? null : Platform,
        From = From,
        To = To,
        Colour = Colour,
        Like = PictureHash.ParseAll(Like),
    };
}
