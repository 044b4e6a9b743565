namespace Kalypto.Core.Formats;

/// <summary>A format with the quality asked of it.</summary>
/// <param name="Format">The format.</param>
/// <param name="Quality">The quality; null for the usual one of the format.</param>
public sealed record FormatAsk(Format Format, Quality? Quality = null)
{
    // Where people no longer see a difference on photos at usual sizes, yet files are far below lossless ones.
    private static readonly Dictionary<Format, int> Usual = new() { [Format.Jpeg] = 82, [Format.WebP] = 80, [Format.Avif] = 60, [Format.Png8] = 100 };

    /// <summary>The quality that is asked, or else the usual one; null for formats that know none.</summary>
    public Quality? Held => Quality ?? (Usual.TryGetValue(Format, out var percent) ? new Quality.Fixed(percent) : null);

    /// <summary>True when pixels may come out other than they are drawn.</summary>
    public bool IsLossy => Held is Quality.Fixed or Quality.Auto or Quality.Under && Format.Options.HasFlag(Qualities.Lossy);

    /// <summary>Reads a tag such as <c>webp:82</c>; null for anything else.</summary>
    public static FormatAsk? Parse(string text)
    {
        var colon = text.IndexOf(':', StringComparison.Ordinal);
        return Format.Find(colon < 0 ? text : text[..colon]) is not { } format ? null
            : colon < 0 ? new(format) : Quality.Parse(text[(colon + 1)..], format) is { } quality ? new(format, quality) : null;
    }

    /// <summary>The tag: <c>webp:82</c>.</summary>
    public override string ToString() => Quality is null ? Format.Id : $"{Format.Id}:{Quality}";
}
