using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Planning;

/// <summary>Has equal drawings that ship under several names drawn once: the files of all are drawn from the place of the first.</summary>
internal static class DrawnOnce
{
    // pt; what repeat keys take for equal too.
    private const double Same = 0.005;

    public static ImmutableArray<Picture> From(ImmutableArray<Picture> pictures, IReadOnlyList<DesignState> designs)
    {
        var byDesign = designs.ToDictionary(d => d.Id);
        var followers = new Dictionary<LayerRef, Picture>();
        foreach (var same in pictures.Where(p => !p.CropIsGuess && p.Making.Ground is not Ground.Screen).GroupBy(p => KeyOf(byDesign[p.Ref.Design], p)).Where(g => g.Key is not null))
        {
            var leaders = new List<Picture>();
            foreach (var picture in same)
            {
                if (leaders.Select(l => Place(l, picture)).FirstOrDefault(p => p is not null) is { } place)
                {
                    followers[picture.Ref] = picture with { DrawnFrom = place };
                }
                else
                {
                    leaders.Add(picture);
                }
            }
        }
        return followers.Count == 0 ? pictures : [.. pictures.Select(p => followers.GetValueOrDefault(p.Ref) ?? p)];
    }

    // Fonts belong to a design, so that words are equal within one alone; so does what the exact engine takes from the file.
    private static Fingerprint? KeyOf(DesignState design, Picture picture) =>
        design.Layers[picture.Ref.Ordinal] is var layer && design.Measured.RepeatKeys[layer.Ordinal] is { } key && design.Isolate(layer) is var isolation
            ? Fingerprint.Of(key.Hex, picture.IsExact || !isolation.FontFamilies.IsEmpty ? $"{design.Id}" : "", $"{picture.IsExact}", Numbers.Text(picture.DrawnAt),
                string.Join(' ', isolation.Without.Select(o => o - layer.Ordinal)))
            : null;

    // Every crop of the one lies as far from that of the other, and is as large.
    private static DrawnFrom? Place(Picture leader, Picture picture)
    {
        if (leader.Crop is not { } there || picture.Crop is not { } here || leader.Variants.Length != picture.Variants.Length)
        {
            return null;
        }
        var (right, down) = (there.Box.X - here.Box.X, there.Box.Y - here.Box.Y);
        bool AreAlike(Crop? a, Crop? b) => a is null ? b is null : b is not null
            && Math.Abs(a.Box.X - b.Box.X - right) < Same && Math.Abs(a.Box.Y - b.Box.Y - down) < Same && Math.Abs(a.Box.Width - b.Box.Width) < Same && Math.Abs(a.Box.Height - b.Box.Height) < Same;
        return AreAlike(there, here) && leader.Variants.Zip(picture.Variants).All(v => v.First.Platform == v.Second.Platform && AreAlike(v.First.Crop, v.Second.Crop))
            ? new(leader.Ref, leader.Key, right, down) : null;
    }
}
