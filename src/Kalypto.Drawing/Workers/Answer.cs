using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Workers;

/// <summary>One answer of a worker; a picture follows as the body.</summary>
/// <param name="Failure">Why there is none, as a sentence; null when there is.</param>
/// <param name="Box">Where the ink is, or the box of fill and stroke; null for none.</param>
/// <param name="Outline">The box of the outline alone, when a shape was measured.</param>
/// <param name="Note">What people should know of a file, such as the quality that was found.</param>
internal sealed record Answer(string? Failure, Box? Box, Box? Outline = null, string? Note = null)
{
    /// <summary>The one colour of all ink, <c>#rrggbb</c>; null for several.</summary>
    public string? Colour { get; init; }

    /// <summary>What quick files of it weigh, by px; null where nothing is seen.</summary>
    public SeenWeights? Weights { get; init; }

    /// <summary>True when nothing shows through within the ink.</summary>
    public bool IsFull { get; init; }
}
