using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Rendering;

/// <summary>What a file of a layer is to hold.</summary>
/// <param name="Crop">The rectangle to show, in drawing units.</param>
/// <param name="Points">The size of the crop in pt.</param>
/// <param name="Pixels">The size of the file in px.</param>
/// <param name="Ask">Its format and quality.</param>
public sealed record FileContent(Box Crop, (double Width, double Height) Points, (int Width, int Height) Pixels, FormatAsk Ask)
{
    /// <summary>The colour under it, <c>#rrggbb</c>; null for none.</summary>
    public string? Ground { get; init; }

    /// <summary>Lines that it carries.</summary>
    public CreditLines Credit { get; init; } = CreditLines.None;

    /// <summary>True when proof has shown that the exact engine is needed.</summary>
    public bool IsExact { get; init; }

    /// <summary>True to take the colour of the code around it, where it is drawn in one.</summary>
    public bool TakesColour { get; init; }

    /// <summary>True to be turned round where languages are written from right to left.</summary>
    public bool Mirrors { get; init; }

    /// <summary>True to keep its colours beyond sRGB, in Display P3; the exact engine draws them.</summary>
    public bool KeepsWide { get; init; }

    /// <summary>The lines around it that say how it stretches; null for a plain picture.</summary>
    public NinePatch? Patch { get; init; }

    /// <summary>The files that stand for the pictures inside the layer, in their order; empty to embed them.</summary>
    public ImmutableArray<string> Links { get; init; } = [];

    /// <summary>Which of the pictures inside the layer the file is, from 0; null for a file of the layer itself.</summary>
    public int? Linked { get; init; }
}
