using System.Collections.Concurrent;
using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Planning;

/// <summary>
/// Works out the paths, pixels and content keys of pictures, and finds again what it worked out before: an edit changes
/// some pictures, and the files of all others stay what they are.
/// </summary>
/// <param name="engine">The name and version of the renderer and encoders; part of every content key.</param>
public sealed class PlannedPaths(string engine)
{
    private const int Most = 40_000;
    private const string White = "#ffffff";
    private readonly ConcurrentDictionary<string, ImmutableArray<(FileAsk Ask, string? Ground, Fingerprint Key)>> known = new(StringComparer.Ordinal);

    /// <summary>The files of a picture for a platform.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="platform">The platform.</param>
    /// <param name="book">The recipes, for the credit and the layout of plain folders.</param>
    public IEnumerable<PlannedFile> FilesOf(Picture picture, IPlatform platform, RecipeBook book)
    {
        if (picture.CropFor(platform.Id)?.Box is not { } crop)
        {
            return [];
        }
        var making = picture.MakingFor(platform.Id);
        var credit = making.Credit ? book.Credit : CreditLines.None;
        var key = string.Join('|', platform.Id, picture.KeyWithGround.Hex, crop.X, crop.Y, crop.Width, crop.Height, picture.DrawnAt, picture.NameIsTyped,
            string.Join('-', picture.Words), picture.State, making.FolderPath, making.Signature, platform.Id == Folders.PlatformId ? book.Layout : null, credit);
        if (!known.TryGetValue(key, out var files))
        {
            if (known.Count > Most)
            {
                known.Clear();
            }
            known[key] = files = [.. Work(picture, platform, making, crop, book.Layout, credit)];
        }
        return files.Select(f => new PlannedFile(platform.Id, picture, f.Ask, f.Ground, f.Ask.Linked is null ? credit : CreditLines.None, f.Key));
    }

    private IEnumerable<(FileAsk Ask, string? Ground, Fingerprint Key)> Work(
        Picture picture, IPlatform platform, Making making, Box crop, FolderLayout layout, CreditLines credit)
    {
        var name = platform.NameOf(picture);
        if (name.Length == 0)
        {
            yield break;
        }
        foreach (var ask in platform.FilesOf(new(picture, making, crop, name, layout)))
        {
            if (ask.Linked is { } linked)
            {
                // It is taken out of the drawing as it is, whatever is asked of the layer.
                yield return (ask, null, Fingerprint.Of("linked", picture.KeyWithGround.Hex, Numbers.Text(linked)));
                continue;
            }
            var ground = ask.Ground ?? (making.Ground as Ground.Colour)?.Hex ?? (ask.Format.Format.Transparency == Transparency.None ? White : null);
            var source = ask.Source;
            yield return (ask, ground, Fingerprint.Of(
                $"{ask.Format.Format}:{ask.Format.Held}", engine, picture.KeyWithGround.Hex, Numbers.Text(picture.DrawnAt),
                $"{Numbers.Text(source.X)} {Numbers.Text(source.Y)} {Numbers.Text(source.Width)} {Numbers.Text(source.Height)} {ask.Width} {ask.Height}",
                ground ?? "", credit.Copyright, credit.Author, credit.Contact, string.Join('/', ask.Links)));
        }
    }
}
