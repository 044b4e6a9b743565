using System.Collections.Immutable;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Packing;

/// <summary>Works out the pack of a project.</summary>
/// <param name="paths">Works out the files of pictures.</param>
/// <param name="looks">What was seen of an isolated layer, by its key; null when it was not drawn yet.</param>
/// <param name="standIn">The family drawn instead of a font that is not there; null for one that is.</param>
public sealed class PackPlanner(PlannedPaths paths, Func<Fingerprint, Look?> looks, Func<string, string?>? standIn = null)
{
    /// <summary>Plans all files of all designs for the platforms.</summary>
    public Pack Plan(IReadOnlyList<DesignState> designs, IReadOnlyList<IPlatform> platforms)
    {
        var pictures = StateCrops.Share(MadeOnce(designs, [.. designs.SelectMany(PicturesOf)]), designs);
        var files = pictures.Where(p => p.Crop is not null && p.Making.Formats.Contains("png"))
            .SelectMany(picture => platforms.SelectMany(platform => paths.FilesOf(picture, platform)))
            .OrderBy(f => f.Path, StringComparer.Ordinal).ToImmutableArray();
        var plan = new CheckedPlan(designs, platforms, pictures, files, looks, standIn ?? (_ => null));
        return new(pictures, files, [.. Checks.All.SelectMany(check => check.Run(plan)).OrderBy(f => f.Severity)], () => [.. platforms
            .SelectMany(p => p.SideFiles([.. files.Where(f => f.Platform == p.Id)])).OrderBy(f => f.Path, StringComparer.Ordinal)]);
    }

    /// <summary>The shipped layers of a design; of one asked for in parts, what lies in it.</summary>
    private IEnumerable<Picture> PicturesOf(DesignState design)
    {
        foreach (var (ordinal, mark) in design.Marks.OrderBy(m => m.Key))
        {
            if (mark.Decision != Decision.Ship || ordinal >= design.Layers.Length)
            {
                continue;
            }
            var layer = design.Layers[ordinal];
            if (mark.Tags.Parts != true)
            {
                yield return PictureOf(design, layer);
                continue;
            }
            var number = 0;
            foreach (var part in layer.Children.Where(c => !c.Guide && !c.HiddenHere && design.MarkOf(c).Decision is Decision.Open or Decision.Code))
            {
                yield return PartOf(design, layer, part, ++number);
            }
        }
    }

    private Picture PartOf(DesignState design, Layer group, Layer part, int number)
    {
        var picture = PictureOf(design, part, design.MarkOf(group).Tags with { Parts = null });
        var groupName = design.MarkOf(group).ShipName ?? group.Name;
        var name = design.MarkOf(part).ShipName ?? (DefaultNames.IsNotNamed(part) ? $"{groupName} {number}" : part.Name);
        return picture with { Name = name, Words = NameWords.Split(name), NameIsTyped = design.MarkOf(part).ShipName is not null, PartOf = new(design.Id, group.Ordinal) };
    }

    /// <summary>Of a drawing that ships in several places under one name, the place that has a real name, else the first.</summary>
    private static ImmutableArray<Picture> MadeOnce(IReadOnlyList<DesignState> designs, ImmutableArray<Picture> pictures)
    {
        var byDesign = designs.ToDictionary(d => d.Id);
        Fingerprint? KeyOf(Picture picture) => byDesign[picture.Ref.Design] is var design && picture.PartOf is null
            && design.MarkOf(design.Layers[picture.Ref.Ordinal]) is { Apart: false, Tags: var tags, ShipName: var name }
            && design.Measured.RepeatKeys[picture.Ref.Ordinal] is { } key
            ? Fingerprint.Of(key.Hex, tags.ToString(), name ?? "", Numbers.Text(picture.DrawnAt)) : null;
        var shared = pictures.GroupBy(p => KeyOf(p) ?? Fingerprint.Of($"{p.Ref}")).ToList();
        if (shared.Count == pictures.Length)
        {
            return pictures;
        }
        return [.. shared.Select(set =>
        {
            var leader = set.FirstOrDefault(p => p.NameIsTyped || !DefaultNames.IsNotNamed(byDesign[p.Ref.Design].Layers[p.Ref.Ordinal])) ?? set.First();
            return leader with { Places = [leader.Ref, .. set.Select(p => p.Ref).Where(r => r != leader.Ref)] };
        })];
    }

    /// <summary>What would ship of a layer, whatever is decided on it.</summary>
    /// <param name="design">The design.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="around">Tags of a group asked for in parts, that hold where the layer says nothing itself.</param>
    public Picture PictureOf(DesignState design, Layer layer, Tags? around = null)
    {
        var mark = design.MarkOf(layer);
        var state = design.States.TryGetValue(layer, out var set) ? set.Members.First(m => m.Layer == layer).State : null;
        var making = Making.Of(layer, around is null ? mark.Tags : mark.Tags.Over(around), design.MarkOf, design.Measured.IsNeedlessOuter, state is null ? null : "button");
        var key = design.Isolate(layer).Key;
        var screen = design.Measured.ScreenOf(layer);
        var shape = design.PointsOf(layer);
        var look = looks(key);
        var ink = look is null ? shape : look.Ink is { } seen ? design.ToPoints(seen) : null;
        var name = mark.ShipName ?? layer.Name;
        return new(
            new(design.Id, layer.Ordinal), layer.Name, screen?.Name ?? design.Name, name, mark.ShipName is not null, WordsOf(name, set, state),
            making, key, look?.Failure is null
                ? Crop.Of(making.Crop, making.Bleed, shape, ink, design.ToPoints(screen?.Box ?? design.Measured.Drawing.Box)) : null,
            look is null, design.DrawnAt)
        { State = state };
    }

    // A state is written behind the name, unless it stands there already; the normal one is the button itself.
    private static IReadOnlyList<string> WordsOf(string name, StateSet? set, string? state)
    {
        var words = NameWords.Split(name);
        return set is null || words.Count > 1 && States.Of(words[^1]) is not null ? words : [.. set.Name, .. state == "normal" ? [] : new[] { state! }];
    }
}
