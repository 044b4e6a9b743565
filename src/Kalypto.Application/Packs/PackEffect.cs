using Kalypto.Core.Designs;
using Kalypto.Core.Packing;

namespace Kalypto.Application.Packs;

/// <summary>How two plans of a pack differ.</summary>
/// <param name="Layers">How many layers have other files.</param>
/// <param name="More">Files that come.</param>
/// <param name="Fewer">Files that go.</param>
/// <param name="Otherwise">Files that stay and are made otherwise.</param>
/// <param name="Bytes">How much heavier it is; negative for lighter.</param>
/// <param name="IsEstimate">True when some of it is not drawn yet.</param>
public sealed record PackEffect(int Layers, int More, int Fewer, int Otherwise, long Bytes, bool IsEstimate)
{
    /// <summary>Compares two plans.</summary>
    public static PackEffect Of(PlannedPack before, PlannedPack after)
    {
        // Two pictures may want one path until somebody settles it, so a file is told apart by both.
        static Dictionary<(string Path, LayerRef Layer), PlannedFile> ByPath(PlannedPack plan) => plan.Pack.Files.DistinctBy(f => (f.Path, f.Picture.Ref)).ToDictionary(f => (f.Path, f.Picture.Ref));
        var (was, becomes) = (ByPath(before), ByPath(after));
        var other = becomes.Where(f => was.TryGetValue(f.Key, out var old) && old.Key != f.Value.Key).Select(f => f.Key).ToList();
        var layers = becomes.Keys.Except(was.Keys).Concat(was.Keys.Except(becomes.Keys)).Concat(other).Select(f => f.Layer).Distinct().Count();
        var (weightBefore, weightAfter) = (before.WeightOf(before.Pack.Files), after.WeightOf(after.Pack.Files));
        return new(layers, becomes.Keys.Count(p => !was.ContainsKey(p)), was.Keys.Count(p => !becomes.ContainsKey(p)), other.Count,
            weightAfter.Bytes - weightBefore.Bytes, weightBefore.IsEstimate || weightAfter.IsEstimate);
    }
}
