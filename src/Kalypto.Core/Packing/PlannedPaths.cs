using System.Collections.Concurrent;
using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Packing;

/// <summary>
/// Works out the paths, pixels and content keys of pictures, and finds again what it worked out before: an edit changes
/// some pictures, and the files of all others stay what they are.
/// </summary>
/// <param name="engine">The name and version of the renderer and encoders; part of every content key.</param>
public sealed class PlannedPaths(string engine)
{
    private const int Most = 20_000;
    private readonly ConcurrentDictionary<string, ImmutableArray<(string Path, Scale Scale, int Width, int Height, Fingerprint Key)>> known = new(StringComparer.Ordinal);

    /// <summary>The files of a picture for a platform.</summary>
    public IEnumerable<PlannedFile> FilesOf(Picture picture, IPlatform platform)
    {
        var crop = picture.Crop!.Box;
        var making = picture.Making;
        var key = string.Join('|', platform.Id, picture.Key.Hex, crop.X, crop.Y, crop.Width, crop.Height, picture.DrawnAt, picture.NameIsTyped,
            string.Join('-', picture.Words), picture.Folder, making.ScalesAreSaid, string.Join(',', making.Scales));
        if (!known.TryGetValue(key, out var files))
        {
            if (known.Count > Most)
            {
                known.Clear();
            }
            known[key] = files = [.. Work(picture, platform)];
        }
        return files.Select(f => new PlannedFile(platform.Id, f.Path, picture, f.Scale, f.Width, f.Height, f.Key));
    }

    private IEnumerable<(string Path, Scale Scale, int Width, int Height, Fingerprint Key)> Work(Picture picture, IPlatform platform)
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
            yield return (path, scale, width, height, Fingerprint.Of(
                "png", engine, picture.Key.Hex, Numbers.Text(picture.DrawnAt), scale.ToString(),
                $"{Numbers.Text(crop.X)} {Numbers.Text(crop.Y)} {width} {height}"));
        }
    }
}
