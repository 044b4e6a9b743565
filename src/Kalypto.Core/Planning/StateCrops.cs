using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Planning;

/// <summary>Gives the states of one button one crop: the union of theirs, so that nothing jumps when one replaces another.</summary>
internal static class StateCrops
{
    public static ImmutableArray<Picture> Share(ImmutableArray<Picture> pictures, IReadOnlyList<DesignState> designs)
    {
        if (!pictures.Any(p => p.State is not null))
        {
            return pictures;
        }
        var byDesign = designs.ToDictionary(d => d.Id);
        var shared = new Dictionary<LayerRef, Picture>();
        var sets = pictures.Where(p => p.State is not null)
            .GroupBy(p => byDesign[p.Ref.Design].States[byDesign[p.Ref.Design].Layers[p.Ref.Ordinal]]);
        foreach (var set in sets.Where(s => s.Count() > 1))
        {
            // States may be drawn beside one another, so each is taken from its own corner.
            var corners = set.ToDictionary(p => p.Ref, p => Corner(byDesign[p.Ref.Design], p));
            var crops = set.ToDictionary(p => p.Ref, p => p.Crop);
            Unite(crops, corners);
            var variants = set.First().Variants.Select(v => v.Platform).ToDictionary(id => id, id =>
            {
                var ofPlatform = set.ToDictionary(p => p.Ref, p => p.CropFor(id));
                Unite(ofPlatform, corners);
                return ofPlatform;
            });
            foreach (var picture in set)
            {
                shared[picture.Ref] = picture with
                {
                    Crop = crops[picture.Ref],
                    Variants = [.. picture.Variants.Select(v => variants.TryGetValue(v.Platform, out var own) ? v with { Crop = own[picture.Ref] } : v)],
                };
            }
        }
        return shared.Count == 0 ? pictures : [.. pictures.Select(p => shared.GetValueOrDefault(p.Ref) ?? p)];
    }

    private static void Unite(Dictionary<LayerRef, Crop?> crops, Dictionary<LayerRef, (double X, double Y)> corners)
    {
        var seen = crops.Where(c => c.Value is not null).ToDictionary(c => c.Key, c => c.Value!);
        if (seen.Count < 2)
        {
            return;
        }
        var union = seen.Select(c => c.Value.Box with { X = c.Value.Box.X - corners[c.Key].X, Y = c.Value.Box.Y - corners[c.Key].Y }).Aggregate((a, b) => a.Union(b));
        foreach (var (layer, crop) in seen)
        {
            var box = union with { X = union.X + corners[layer].X, Y = union.Y + corners[layer].Y };
            if (box != crop.Box)
            {
                crops[layer] = crop with { Box = box, Why = $"{crop.Why}; {Numbers.Text(box.Width)} × {Numbers.Text(box.Height)} with its {seen.Count - 1} other state{(seen.Count > 2 ? "s" : "")}" };
            }
        }
    }

    private static (double X, double Y) Corner(DesignState design, Picture picture) =>
        design.PointsOf(design.Layers[picture.Ref.Ordinal]) is { } shape ? Crop.CornerOf(shape)
        : (picture.Crop?.Box.X ?? 0, picture.Crop?.Box.Y ?? 0);
}
