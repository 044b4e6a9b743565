using Kalypto.Core.Arranging;

namespace Kalypto.Store;

/// <summary>One draft of a design.</summary>
/// <param name="Id">Its number among all drafts.</param>
/// <param name="Number">1 for the first of the design.</param>
/// <param name="FileName">The name of its file.</param>
/// <param name="BroughtInAt">When it came.</param>
/// <param name="BroughtInBy">Who brought it, as they call themselves.</param>
/// <param name="Follows">The draft that held before; null for a first one.</param>
/// <param name="Pairs">How its layers were paired with those of that draft, as JSON; empty for a first one.</param>
/// <param name="Asked">How many pairs are still to be said.</param>
/// <param name="FileSha256">The file.</param>
/// <param name="Lineages">The lineages of its layers.</param>
public sealed record DraftRow(
    int Id, int Number, string FileName, DateTime BroughtInAt, string BroughtInBy, int? Follows, string Pairs, int Asked, string FileSha256, Lineages Lineages);
