namespace Kalypto.Web.Models;

/// <summary>A row of the ledger.</summary>
public sealed record RowModel(
    int Ordinal, int Parent, int Depth, string Name, string DrawnName, bool Named, bool NotNamed, string Note, string Decision, string? CoveredBy, bool HasChildren,
    string Kind, bool KindIsSaid, IReadOnlyList<string> Tags, string Made, bool MadeIsSaid, string Size, double[]? Box, int Files, long Bytes, bool IsEstimate, string Weight,
    IReadOnlyList<FindingModel> Findings, string Thumb, bool Hidden);
