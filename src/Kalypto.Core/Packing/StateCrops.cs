using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Packing;

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
        var shared = new Dictionary<LayerRef, Crop>();
        var sets = pictures.Where(p => p.State is not null && p.Crop is not null)
            .GroupBy(p => byDesign[p.Ref.Design].States[byDesign[p.Ref.Design].Layers[p.Ref.Ordinal]]);
        foreach (var set in sets.Where(s => s.Count() > 1))
        {
            // States may be drawn beside one another, so each is taken from its own corner.
            var corners = set.ToDictionary(p => p.Ref, p => Corner(byDesign[p.Ref.Design], p));
            var union = set.Select(p => p.Crop!.Box with { X = p.Crop.Box.X - corners[p.Ref].X, Y = p.Crop.Box.Y - corners[p.Ref].Y }).Aggregate((a, b) => a.Union(b));
            foreach (var picture in set)
            {
                var box = union with { X = union.X + corners[picture.Ref].X, Y = union.Y + corners[picture.Ref].Y };
                if (box != picture.Crop!.Box)
                {
                    shared[picture.Ref] = picture.Crop with { Box = box, Why = $"{picture.Crop.Why}; {Numbers.Text(box.Width)} × {Numbers.Text(box.Height)} with its {set.Count() - 1} other state{(set.Count() > 2 ? "s" : "")}" };
                }
            }
        }
        return shared.Count == 0 ? pictures : [.. pictures.Select(p => shared.TryGetValue(p.Ref, out var crop) ? p with { Crop = crop } : p)];
    }

    private static (double X, double Y) Corner(DesignState design, Picture picture) =>
        design.PointsOf(design.Layers[picture.Ref.Ordinal]) is { } shape ? (Math.Floor(shape.X + 0.01), Math.Floor(shape.Y + 0.01)) : (picture.Crop!.Box.X, picture.Crop.Box.Y);
}
