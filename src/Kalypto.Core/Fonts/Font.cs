using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Kalypto.Core.Fonts;

/// <summary>A font that a project has.</summary>
public sealed record Font
{
    /// <summary>The SHA-256 of the font as TTF or OTF, 64 lower-case hexadecimal digits.</summary>
    public required string Sha256 { get; init; }

    /// <summary>The name of the file that it came in by.</summary>
    public required string FileName { get; init; }

    /// <summary>The names that texts ask for it by, at least one: its families, and its names as a single font.</summary>
    public required ImmutableArray<string> Names { get; init; }

    /// <summary>The lightest weight that it draws, from 1 to 1000.</summary>
    public int Lightest { get; init; } = 400;

    /// <summary>The heaviest weight that it draws; other than the lightest for a variable font.</summary>
    public int Heaviest { get; init; } = 400;

    /// <summary>The weights of a variable font that have a name of their own, such as “Fira Sans SemiBold”.</summary>
    public ImmutableArray<NamedWeight> Instances { get; init; } = [];

    /// <summary>How wide it is, in per cent of normal.</summary>
    public double Stretch { get; init; } = 100;

    /// <summary>True for an italic or oblique one.</summary>
    public bool IsItalic { get; init; }

    /// <summary>What its maker allows.</summary>
    public FontEmbedding Embedding { get; init; }

    /// <summary>How many bytes it has.</summary>
    public int Bytes { get; init; }

    /// <summary>The number of the design in whose drawing it was found, which is all that it is used for; null for one of the whole project.</summary>
    public int? Design { get; init; }

    /// <summary>The name of its family.</summary>
    public string Family => Names[0];

    /// <summary>Its weight and slant in words: <c>400 italic</c>, <c>100 to 900</c>.</summary>
    [JsonIgnore]
    public string Face => $"{(IsVariable ? $"{Lightest} to {Heaviest}" : $"{Lightest}")}{(IsItalic ? " italic" : "")}";

    /// <summary>True for a font that draws several weights.</summary>
    public bool IsVariable => Heaviest > Lightest;

    /// <summary>True when it answers to a name, in capitals or not.</summary>
    public bool Answers(string name) => Names.Contains(name, StringComparer.OrdinalIgnoreCase) || InstanceOf(name) is not null;

    /// <summary>The weight of a variable font that has a name; null for none.</summary>
    public NamedWeight? InstanceOf(string name) => Instances.IsDefault ? null : Instances.FirstOrDefault(i => string.Equals(i.Name, name, StringComparison.OrdinalIgnoreCase));
}
