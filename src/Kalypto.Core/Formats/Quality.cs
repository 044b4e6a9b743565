using System.Globalization;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Formats;

/// <summary>How good, or in which way, a file of a format is to be.</summary>
public abstract record Quality
{
    /// <summary>A number on the scale of the format's encoders.</summary>
    /// <param name="Percent">From 1 to 100.</param>
    public sealed record Fixed(int Percent) : Quality
    {
        /// <inheritdoc/>
        public override string ToString() => Percent.ToString(CultureInfo.InvariantCulture);
    }

    /// <summary>Every pixel kept as it is.</summary>
    public sealed record Lossless : Quality
    {
        /// <inheritdoc/>
        public override string ToString() => "lossless";
    }

    /// <summary>The smallest that still looks the same, found by search (<see cref="Likeness"/>).</summary>
    public sealed record Auto : Quality
    {
        /// <inheritdoc/>
        public override string ToString() => "auto";
    }

    /// <summary>The best that weighs no more than this.</summary>
    /// <param name="Bytes">The most bytes.</param>
    public sealed record Under(long Bytes) : Quality
    {
        /// <inheritdoc/>
        public override string ToString() => $"<{Numbers.Text(Bytes / 1000.0, 3)}kB";
    }

    /// <summary>Texts as texts, which only look the same where the reader has the font.</summary>
    public sealed record Texts : Quality
    {
        /// <inheritdoc/>
        public override string ToString() => "text";
    }

    /// <summary>Texts as outlines, so that no font is needed.</summary>
    public sealed record Outlines : Quality
    {
        /// <inheritdoc/>
        public override string ToString() => "outlines";
    }

    /// <summary>Pictures inside it in files beside it, so that they can be loaded and kept by themselves.</summary>
    public sealed record Linked : Quality
    {
        /// <inheritdoc/>
        public override string ToString() => "linked";
    }

    /// <summary>Reads <c>60</c>, <c>lossless</c>, <c>auto</c>, <c>&lt;40kB</c>, <c>text</c>, <c>outlines</c> or <c>linked</c>; null for what the format does not know.</summary>
    public static Quality? Parse(string text, Format format)
    {
        var lossy = format.Options.HasFlag(Qualities.Lossy);
        return text.ToLowerInvariant() switch
        {
            "lossless" when format.Options.HasFlag(Qualities.Lossless) => new Lossless(),
            "outlines" when format.Options.HasFlag(Qualities.Outlines) => new Outlines(),
            "text" when format.Options.HasFlag(Qualities.Outlines) => new Texts(),
            "linked" when format.Options.HasFlag(Qualities.Linked) => new Linked(),
            "auto" when lossy => new Auto(),
            ['<', .. var bound] when lossy => ParseBytes(bound) is { } bytes ? new Under(bytes) : null,
            _ when lossy && int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var percent) && percent is >= 1 and <= 100 => new Fixed(percent),
            _ => null,
        };
    }

    /// <summary>Reads a weight such as <c>40kB</c> or <c>1.5MB</c>, in thousands of bytes; null for anything else.</summary>
    public static long? ParseBytes(string text)
    {
        var factor = text.ToLowerInvariant() switch
        {
            var t when t.EndsWith("kb", StringComparison.Ordinal) => 1_000,
            var t when t.EndsWith("mb", StringComparison.Ordinal) => 1_000_000,
            _ => 0,
        };
        return factor > 0 && double.TryParse(text[..^2], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number)
            && number * factor is >= 100 and <= 1e9 ? (long)Math.Round(number * factor) : null;
    }
}
