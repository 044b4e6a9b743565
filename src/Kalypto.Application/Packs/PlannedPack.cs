using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Packs;

/// <summary>The pack of a project with what is drawn of it.</summary>
/// <param name="Pack">The pack.</param>
/// <param name="Planner">What it was planned by.</param>
/// <param name="Drawn">The files that are drawn, by key.</param>
/// <param name="Looks">What was seen of isolated layers.</param>
public sealed record PlannedPack(Pack Pack, PackPlanner Planner, IReadOnlyDictionary<string, DrawingRow> Drawn, Func<Fingerprint, Look?> Looks)
{
    /// <summary>How many files of the pack are drawn; one drawing may serve several files.</summary>
    public int FilesDrawn => Pack.Files.Count(f => Drawn.ContainsKey(f.Key.Hex));

    /// <summary>The weight of a file, real or estimated.</summary>
    public (long Bytes, bool IsEstimate) WeightOf(PlannedFile file) =>
        Drawn.TryGetValue(file.Key.Hex, out var row) ? (row.Weight, false) : (WeightEstimate.Of(file), true);

    /// <summary>The weight of several files, and whether any of it is estimated.</summary>
    public (long Bytes, bool IsEstimate) WeightOf(IEnumerable<PlannedFile> files) => files.Select(WeightOf)
        .Aggregate((Bytes: 0L, IsEstimate: false), (sum, weight) => (sum.Bytes + weight.Bytes, sum.IsEstimate || weight.IsEstimate));
}
