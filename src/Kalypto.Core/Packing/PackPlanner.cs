using System.Collections.Immutable;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Packing;

/// <summary>Works out the pack of a project.</summary>
/// <param name="engine">The name and version of the renderer and encoders; part of every content key.</param>
/// <param name="looks">What was seen of an isolated layer, by its key; null when it was not drawn yet.</param>
public sealed class PackPlanner(string engine, Func<Fingerprint, Look?> looks)
{
    /// <summary>Plans all files of all designs for the platforms.</summary>
    public Pack Plan(IReadOnlyList<DesignState> designs, IReadOnlyList<IPlatform> platforms)
    {
        var pictures = designs.SelectMany(PicturesOf).ToImmutableArray();
        var files = pictures.Where(p => p.Crop is not null && p.Making.Formats.Contains("png"))
            .SelectMany(picture => platforms.SelectMany(platform => FilesOf(picture, platform)))
            .OrderBy(f => f.Path, StringComparer.Ordinal).ToImmutableArray();
        var sideFiles = platforms
            .SelectMany(p => p.SideFiles([.. files.Where(f => f.Platform == p.Id)]))
            .OrderBy(f => f.Path, StringComparer.Ordinal).ToImmutableArray();
        var plan = new CheckedPlan(designs, platforms, pictures, files, looks);
        return new(pictures, files, sideFiles, [.. Checks.All.SelectMany(check => check.Run(plan)).OrderBy(f => f.Severity)]);
    }

    /// <summary>The shipped layers of a design.</summary>
    private IEnumerable<Picture> PicturesOf(DesignState design)
    {
        foreach (var (ordinal, mark) in design.Marks.OrderBy(m => m.Key))
        {
            if (mark.Decision == Decision.Ship && ordinal < design.Measured.Drawing.Layers.Length)
            {
                yield return PictureOf(design, design.Measured.Drawing.Layers[ordinal]);
            }
        }
    }

    /// <summary>What would ship of a layer, whatever is decided on it.</summary>
    public Picture PictureOf(DesignState design, Layer layer)
    {
        var mark = design.MarkOf(layer);
        var making = Making.Of(layer, mark.Tags, design.MarkOf);
        var key = design.Isolate(layer).Key;
        var screen = design.Measured.ScreenOf(layer);
        var shape = layer.ViewBox ?? (layer.Ordinal < design.Measured.Shapes.Count ? design.Measured.Shapes[layer.Ordinal] : null);
        Box? shapePoints = shape is { } s ? design.ToPoints(s) : null;
        var look = looks(key);
        var ink = look is null ? shapePoints : look.Ink is { } seen ? design.ToPoints(seen) : null;
        var name = mark.ShipName ?? layer.Name;
        return new(
            new(design.Id, layer.Ordinal), layer.Name, screen?.Name ?? design.Name, name, mark.ShipName is not null, NameWords.Split(name),
            making, key, look?.Failure is null
                ? Crop.Of(making.Crop, making.Bleed, shapePoints, ink, design.ToPoints(screen?.Box ?? design.Measured.Drawing.Box)) : null,
            look is null, design.DrawnAt);
    }

    private IEnumerable<PlannedFile> FilesOf(Picture picture, IPlatform platform)
    {
        var name = platform.NameOf(picture);
        if (name.Length == 0)
        {
            yield break;
        }
        foreach (var (path, scale) in platform.FilesOf(picture, name))
        {
            var crop = picture.Crop!.Box;
            var (width, height) = (scale.Pixels(crop.Width), scale.Pixels(crop.Height));
            yield return new(platform.Id, path, picture, scale, width, height, Fingerprint.Of(
                "png", engine, picture.Key.Hex, Numbers.Text(picture.DrawnAt), scale.ToString(),
                $"{Numbers.Text(crop.X)} {Numbers.Text(crop.Y)} {width} {height}"));
        }
    }
}
