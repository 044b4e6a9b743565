using Kalypto.Core.Designs;

namespace Kalypto.Store;

/// <summary>The file of a draft.</summary>
/// <param name="Draft">The number of the draft.</param>
/// <param name="DesignName">The name of its design.</param>
/// <param name="File">The bytes as they came in.</param>
/// <param name="Shapes">The shape box of each layer by ordinal, in drawing units; null for a layer without one.</param>
/// <param name="MeasuredWith">The key of the fonts of the project that they were measured with.</param>
/// <param name="Merged">The share of pixels that a merged picture which came with it shows otherwise; null where none came.</param>
public sealed record DraftFile(int Draft, string DesignName, byte[] File, IReadOnlyList<Box?> Shapes, string MeasuredWith, double? Merged);
