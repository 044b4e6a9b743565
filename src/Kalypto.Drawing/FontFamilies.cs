using System.Collections.Concurrent;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>Which families can be drawn, and what stands in for the others.</summary>
internal sealed class FontFamilies(string folder)
{
    private readonly ConcurrentDictionary<string, string?> known = new(StringComparer.OrdinalIgnoreCase);
    private readonly Lazy<bool> loaded = new(() =>
    {
        Fontconfig.AddFolder(folder);
        return true;
    });

    public string? StandInFor(string family) => known.GetOrAdd(family, asked =>
    {
        _ = loaded.Value;
        var drawn = Fontconfig.Match(asked);
        return drawn is null || drawn.Any(f => string.Equals(f, asked, StringComparison.OrdinalIgnoreCase)) ? null : drawn[0];
    });
}
