using System.Collections.Immutable;

namespace Kalypto.Core.Tagging;

/// <summary>What is made of a kind of picture unless a layer says otherwise, in the words of the tag line.</summary>
/// <param name="Kind">The kind it is for.</param>
/// <param name="Base">What holds on every platform.</param>
/// <param name="For">What holds instead on a platform, by its id. Formats said here replace those of the base.</param>
public sealed record Recipe(string Kind, Tags Base, ImmutableSortedDictionary<string, Tags> For)
{
    /// <summary>The recipes that come with Kalypto for the built-in kinds.</summary>
    public static ImmutableArray<Recipe> BuiltIn { get; } =
    [
        // One file that is sharp at every density where the platform draws shapes, densities where it does not.
        Of("icon", "svg crop:shape", ("apple", "svg"), ("android", "vector"), ("windows", "png"), ("flutter", "png"), ("folders", "svg png")),
        Of("button", "png crop:ink"),
        Of("logo", "svg crop:shape", ("apple", "svg"), ("android", "vector"), ("windows", "png"), ("flutter", "png"), ("folders", "svg pdf png")),
        // The web takes what the browser knows best; the others have one format that every version reads.
        Of("photo", "jpeg crop:ink", ("web", "avif webp jpeg"), ("page", "avif webp jpeg"), ("android", "webp"), ("flutter", "webp")),
        Of("picture", "png crop:ink", ("android", "webp:lossless")),
        Of("screen", "png crop:screen"),
        Of(Kinds.AppIcon, "png crop:shape"),
    ];

    /// <summary>The recipe that comes with Kalypto; for a kind of the team's own that of a picture.</summary>
    public static Recipe Usual(string kind) =>
        BuiltIn.FirstOrDefault(r => r.Kind == kind) ?? BuiltIn.First(r => r.Kind == "picture") with { Kind = kind };

    /// <summary>The recipe with other words for one platform, or for all when there is none named.</summary>
    /// <param name="platform">The id of the platform; null for all.</param>
    /// <param name="tags">The words; empty to take back what differs.</param>
    public Recipe With(string? platform, Tags tags) => platform is null ? this with { Base = tags }
        : this with { For = tags == Tags.Empty ? For.Remove(platform) : For.SetItem(platform, tags) };

    /// <inheritdoc/>
    public bool Equals(Recipe? other) => other is not null && Kind == other.Kind && Base == other.Base && For.SequenceEqual(other.For);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Kind, Base);

    private static Recipe Of(string kind, string all, params (string Platform, string Words)[] platforms) => new(
        kind, Tags.Parse(all, []), platforms.ToImmutableSortedDictionary(p => p.Platform, p => Tags.Parse(p.Words, []), StringComparer.Ordinal));
}
