using Kalypto.Core.Packing;

namespace Kalypto.Application.Pages;

/// <summary>A file that a page shows: one of the pack, a drawing of a layer that nobody decided on, or a font.</summary>
/// <param name="Path">Where it lies beside the page, with slashes.</param>
public sealed record PageFile(string Path)
{
    /// <summary>The file of the pack; null for another.</summary>
    public PlannedFile? Planned { get; init; }

    /// <summary>The drawing and its media type; null for another.</summary>
    public (byte[] Bytes, string MediaType)? Drawing { get; init; }

    /// <summary>The SHA-256 of a font, and the families that it was found by; null for another.</summary>
    public (string Sha256, string Drawn)? Font { get; init; }
}
