using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tagging;

/// <summary>What is said of one layer: its kind and what differs from the recipe. Written in one canonical form.</summary>
public sealed record Tags
{
    /// <summary>Nothing said.</summary>
    public static Tags Empty { get; } = new();

    /// <summary>The kind; null when nobody gave one.</summary>
    public string? Kind { get; init; }

    /// <summary>Formats said by tag: true for also made as, false for not made as.</summary>
    public ImmutableSortedDictionary<string, bool> Formats { get; init; } = ImmutableSortedDictionary<string, bool>.Empty;

    /// <summary>Scales instead of the recipe's; empty for the recipe's.</summary>
    public ImmutableArray<Scale> Scales { get; init; } = [];

    /// <summary>The crop instead of the recipe's, or null.</summary>
    public CropKind? Crop { get; init; }

    /// <summary>The bleed in pt instead of the recipe's, or null.</summary>
    public double? Bleed { get; init; }

    /// <summary>The folder instead of the groups it lies in, or null.</summary>
    public string? Folder { get; init; }

    /// <summary>The state of a button that it shows, or null.</summary>
    public string? State { get; init; }

    /// <summary>True: each layer in it by itself; false: all as one picture; null: not said, so all as one.</summary>
    public bool? Parts { get; init; }

    /// <summary>These tags, and those of a group where these say nothing.</summary>
    public Tags Over(Tags group) => new()
    {
        Kind = Kind ?? group.Kind,
        Formats = Formats.Count > 0 ? Formats : group.Formats,
        Scales = Scales.IsEmpty ? group.Scales : Scales,
        Crop = Crop ?? group.Crop,
        Bleed = Bleed ?? group.Bleed,
        Folder = Folder ?? group.Folder,
        State = State,
        Parts = Parts,
    };

    /// <summary>The words of the tags, each as it would be typed, in a fixed order.</summary>
    public IEnumerable<string> Words()
    {
        if (Kind is not null)
        {
            yield return Kind;
        }
        foreach (var (format, made) in Formats)
        {
            yield return made ? format : "-" + format;
        }
        if (!Scales.IsEmpty)
        {
            yield return "scale:" + string.Join(',', Scales);
        }
        if (Crop is not null)
        {
            yield return "crop:" + Crop;
        }
        if (Bleed is { } bleed)
        {
            yield return "bleed:" + Numbers.Text(bleed);
        }
        if (Folder is not null)
        {
            yield return "to:" + Folder;
        }
        if (State is not null)
        {
            yield return "state:" + State;
        }
        if (Parts is { } parts)
        {
            yield return parts ? "parts" : "whole";
        }
    }

    /// <summary>Reads the canonical form back.</summary>
    /// <exception cref="FormatException">The text is not made of tags.</exception>
    public static Tags Parse(string text)
    {
        var line = TagLine.Parse(text);
        return line.Mistakes.IsEmpty ? line.ApplyTo(Empty) : throw new FormatException($"“{text}” is not made of tags.");
    }

    /// <summary>The canonical form.</summary>
    public override string ToString() => string.Join(' ', Words());

    /// <inheritdoc/>
    public bool Equals(Tags? other) => other is not null && ToString() == other.ToString();

    /// <inheritdoc/>
    public override int GetHashCode() => ToString().GetHashCode(StringComparison.Ordinal);
}
