using System.Collections.Immutable;

namespace Kalypto.Core.Formats;

/// <summary>A quality as it is written behind the colon of a format, for completion.</summary>
/// <param name="Form">How it is written: <c>auto</c>.</param>
/// <param name="Meaning">What it does, in a few words.</param>
public sealed record QualityWord(string Form, string Meaning)
{
    private static readonly ImmutableArray<(Qualities Sort, QualityWord Word)> All =
    [
        (Qualities.Lossy, new("80", "this quality, 1 to 100")),
        (Qualities.Lossy, new("auto", "the smallest that looks the same")),
        (Qualities.Lossy, new("<40kB", "the best within this weight")),
        (Qualities.Lossless, new("lossless", "every pixel kept")),
        (Qualities.Outlines, new("text", "texts stay texts, which need their font")),
        (Qualities.Linked, new("linked", "its pictures in files beside it")),
    ];

    /// <summary>Those that a format knows; none where there is nothing to choose.</summary>
    public static IReadOnlyList<QualityWord> Of(Format format) => [.. All.Where(w => format.Options.HasFlag(w.Sort)).Select(w => w.Word)];
}
