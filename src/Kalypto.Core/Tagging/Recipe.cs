using System.Collections.Immutable;

namespace Kalypto.Core.Tagging;

/// <summary>What is made of a kind of picture unless a layer says otherwise.</summary>
/// <param name="Kind">The kind it is for.</param>
/// <param name="Formats">The formats, by their tag.</param>
/// <param name="Scales">The scales where a platform leaves the choice.</param>
/// <param name="Crop">Which rectangle.</param>
/// <param name="Bleed">Points added on each side.</param>
public sealed record Recipe(string Kind, ImmutableArray<string> Formats, ImmutableArray<Scale> Scales, CropKind Crop, double Bleed)
{
    private static readonly ImmutableArray<Scale> Usual = [new(1), new(2), new(3)];

    /// <summary>The recipe that comes with Kalypto for a kind.</summary>
    public static Recipe For(string kind) => new(kind, ["png"], Usual, kind == "screen" ? new CropKind.Screen() : new CropKind.Ink(), 0);
}
