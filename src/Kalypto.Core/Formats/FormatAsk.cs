using System.Collections.Immutable;

namespace Kalypto.Core.Formats;

/// <summary>A format with the quality asked of it.</summary>
/// <param name="Format">The format.</param>
/// <param name="Quality">The quality; null for the usual one of the format.</param>
public sealed record FormatAsk(Format Format, Quality? Quality = null)
{
    // Where people no longer see a difference on photos at usual sizes, yet files are far below lossless ones.
    private static readonly Dictionary<Format, int> Usual = new() { [Format.Jpeg] = 82, [Format.WebP] = 80, [Format.Avif] = 60, [Format.Png8] = 100 };

    private const int MostScales = 12;

    /// <summary>The scales that it is made in; empty for those of all formats.</summary>
    public ImmutableArray<Scale> Scales { get; init; } = [];

    /// <summary>The quality that is asked, or else the usual one; null for formats that know none.</summary>
    public Quality? Held => Quality ?? (Usual.TryGetValue(Format, out var percent) ? new Quality.Fixed(percent) : Format == Format.Svg ? new Quality.Outlines() : null);

    /// <summary>True when pixels may come out other than they are drawn.</summary>
    public bool IsLossy => Held is Quality.Fixed or Quality.Auto or Quality.Under && Format.Options.HasFlag(Qualities.Lossy);

    /// <summary>Reads a tag such as <c>webp:82</c> or <c>png@1x,2x</c>; null for anything else.</summary>
    public static FormatAsk? Parse(string text)
    {
        var at = text.IndexOf('@', StringComparison.Ordinal);
        var (head, tail) = at < 0 ? (text, null) : (text[..at], text[(at + 1)..]);
        var colon = head.IndexOf(':', StringComparison.Ordinal);
        if (Format.Find(colon < 0 ? head : head[..colon]) is not { } format)
        {
            return null;
        }
        var quality = colon < 0 ? null : Quality.Parse(head[(colon + 1)..], format);
        if (colon >= 0 && quality is null)
        {
            return null;
        }
        if (tail is null)
        {
            return new(format, quality);
        }
        // Files of shapes serve all scales.
        var scales = tail.Split(',').Select(Scale.Parse).ToList();
        return format.IsVector || format == Format.Ico || scales.Count > MostScales || scales.Exists(s => s is null) ? null
            : new(format, quality) { Scales = [.. scales.Select(s => s!.Value).Distinct().Order()] };
    }

    /// <summary>The tag: <c>webp:82</c>.</summary>
    public override string ToString() => $"{Format.Id}{(Quality is null ? "" : $":{Quality}")}{(Scales.IsEmpty ? "" : $"@{string.Join(',', Scales)}")}";
}
