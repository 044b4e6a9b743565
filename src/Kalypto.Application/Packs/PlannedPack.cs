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
    private readonly Lazy<PackIndex> index = new(() => new(Pack));
    private readonly Lazy<int> filesDrawn = new(() => Pack.Files.Count(f => Drawn.ContainsKey(f.Key.Hex)));

    private readonly Lazy<(long Bytes, bool IsEstimate)> weight = new(() => WeightIn(Drawn, Pack.Files));

    /// <summary>The pack by layers.</summary>
    public PackIndex Index => index.Value;

    /// <summary>How many files of the pack are drawn; one drawing may serve several files.</summary>
    public int FilesDrawn => filesDrawn.Value;

    /// <summary>True when every layer was looked at, so that all crops are known.</summary>
    public bool IsSeen => !Pack.Pictures.Any(p => p.CropIsGuess);

    /// <summary>True when every file is drawn too.</summary>
    public bool IsWhole => IsSeen && FilesDrawn == Pack.Files.Length;

    /// <summary>The weight of the whole pack, and whether any of it is estimated.</summary>
    public (long Bytes, bool IsEstimate) Weight => weight.Value;

    /// <summary>The weight of a file, real or estimated.</summary>
    public (long Bytes, bool IsEstimate) WeightOf(PlannedFile file) => WeightIn(Drawn, [file]);

    /// <summary>The weight of several files, and whether any of it is estimated.</summary>
    public (long Bytes, bool IsEstimate) WeightOf(IEnumerable<PlannedFile> files) => WeightIn(Drawn, files);

    private static (long Bytes, bool IsEstimate) WeightIn(IReadOnlyDictionary<string, DrawingRow> drawn, IEnumerable<PlannedFile> files)
    {
        var (bytes, isEstimate) = (0L, false);
        foreach (var file in files)
        {
            var known = drawn.TryGetValue(file.Key.Hex, out var row);
            bytes += known ? row!.Weight : WeightEstimate.Of(file);
            isEstimate |= !known;
        }
        return (bytes, isEstimate);
    }
}
