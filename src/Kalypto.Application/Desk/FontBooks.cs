using System.Collections.Concurrent;
using Kalypto.Core.Fonts;

namespace Kalypto.Application.Desk;

/// <summary>Books of fonts as they were read: the same text gives the same book.</summary>
internal static class FontBooks
{
    private const int Most = 200;
    private static readonly ConcurrentDictionary<string, FontBook> Known = new(StringComparer.Ordinal);

    /// <summary>The book that a text says.</summary>
    public static FontBook Of(string json)
    {
        if (json.Length == 0)
        {
            return FontBook.Empty;
        }
        if (Known.Count > Most)
        {
            Known.Clear();
        }
        return Known.GetOrAdd(json, FontBook.Read);
    }
}
