using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Planning;

/// <summary>
/// Works out the paths, pixels and content keys of pictures, and finds again what it worked out before: an edit changes
/// some pictures of one design, and all others stay what they are, with their files.
/// </summary>
/// <param name="engine">The name and version of the renderer and encoders; part of every content key.</param>
public sealed class PlannedPaths(string engine)
{
    private const int Most = 40_000;
    private const string White = "#ffffff";
    private readonly ConcurrentDictionary<string, ImmutableArray<(FileAsk Ask, string? Ground, Fingerprint Key)>> known = new(StringComparer.Ordinal);

    // By the very design and picture: those that an edit did not touch are the same values as before.
    private readonly ConditionalWeakTable<DesignState, DesignPictures> pictures = [];
    private readonly ConditionalWeakTable<Picture, PictureFiles> files = [];

    private sealed record DesignPictures(IReadOnlyList<IPlatform> Platforms, object Stamp, ImmutableArray<Picture> All);

    private sealed record PictureFiles(IReadOnlyList<IPlatform> Platforms, RecipeBook Book, ImmutableArray<PlannedFile> All);

    /// <summary>The pictures of a design. Those of one that was not seen whole yet are worked out anew each time.</summary>
    /// <param name="design">The design.</param>
    /// <param name="platforms">The platforms packed for.</param>
    /// <param name="stamp">What else they depend on; by another one they are worked out anew.</param>
    /// <param name="work">Works them out.</param>
    internal ImmutableArray<Picture> PicturesOf(DesignState design, IReadOnlyList<IPlatform> platforms, object stamp, Func<DesignState, IReadOnlyList<IPlatform>, IEnumerable<Picture>> work)
    {
        if (pictures.TryGetValue(design, out var before) && before.Platforms.SequenceEqual(platforms) && ReferenceEquals(before.Stamp, stamp))
        {
            return before.All;
        }
        ImmutableArray<Picture> all = [.. work(design, platforms)];
        if (!all.Any(p => p.CropIsGuess))
        {
            pictures.AddOrUpdate(design, new(platforms, stamp, all));
        }
        return all;
    }

    /// <summary>The files of a picture for all platforms.</summary>
    internal ImmutableArray<PlannedFile> FilesOf(Picture picture, IReadOnlyList<IPlatform> platforms, RecipeBook book)
    {
        if (files.TryGetValue(picture, out var before) && ReferenceEquals(before.Book, book) && before.Platforms.SequenceEqual(platforms))
        {
            return before.All;
        }
        // What is wanted as plain files only is made for no platform, packed for or not.
        ImmutableArray<PlannedFile> all = [.. (picture.Making.Only ? [AllPlatforms.Plain] : platforms).SelectMany(platform => FilesOf(picture, platform, book))];
        files.AddOrUpdate(picture, new(platforms, book, all));
        return all;
    }

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
        var credit = making.Credit ? picture.Credit ?? book.Credit : CreditLines.None;
        var key = string.Join('|', platform.Id, picture.KeyWithGround.Hex, crop.X, crop.Y, crop.Width, crop.Height, picture.DrawnAt, picture.NameIsTyped,
            string.Join('-', picture.Words), picture.State, making.FolderPath, making.Signature, picture.Label, picture.Wide, platform.Id == FoldersPlatform.PlatformId ? book.Layout : null, credit);
        if (!known.TryGetValue(key, out var asks))
        {
            if (known.Count > Most)
            {
                known.Clear();
            }
            known[key] = asks = [.. Work(picture, platform, making, crop, book.Layout, credit)];
        }
        return asks.Select(f => new PlannedFile(platform.Id, picture, f.Ask, f.Ground, f.Ask.Linked is null ? credit : CreditLines.None, f.Key));
    }

    private IEnumerable<(FileAsk Ask, string? Ground, Fingerprint Key)> Work(
        Picture picture, IPlatform platform, Making making, Box crop, FolderLayout layout, CreditLines credit)
    {
        var name = platform.NameOf(picture);
        if (name.Length == 0)
        {
            yield break;
        }
        foreach (var plain in platform.FilesOf(new(picture, making, crop, name, layout)))
        {
            var format = plain.Format.Format;
            var takesColour = making.Tint == true && picture.IsOneColour && (format == Format.Vector || format == Format.Svg && platform is WebPlatform);
            var keepsWide = making.P3 && picture.Wide is not null && format.HoldsP3;
            var ask = takesColour || keepsWide || making.Mirror && format == Format.Vector
                ? plain with { TakesColour = takesColour, KeepsWide = keepsWide, Mirrors = making.Mirror && format == Format.Vector } : plain;
            if (ask.Linked is { } linked)
            {
                // It is taken out of the drawing as it is, whatever is asked of the layer.
                yield return (ask, null, Fingerprint.Of("linked", picture.KeyWithGround.Hex, Numbers.Text(linked)));
                continue;
            }
            var ground = ask.Ground ?? (making.Ground as Ground.Colour)?.Hex ?? (ask.Format.Format.Transparency == Transparency.None ? White : null);
            var source = ask.Source;
            yield return (ask, ground, Fingerprint.Of(
                $"{ask.Format.Format}:{ask.Format.Held}{(ask.TakesColour ? " tint" : "")}{(ask.Mirrors ? " mirror" : "")}{(ask.KeepsWide ? $" p3 {picture.Wide}" : "")}{(ask.Patch is { } patch ? $" patch {patch}" : "")}", engine, picture.KeyWithGround.Hex, Numbers.Text(picture.DrawnAt),
                $"{Numbers.Text(source.X)} {Numbers.Text(source.Y)} {Numbers.Text(source.Width)} {Numbers.Text(source.Height)} {ask.Width} {ask.Height}",
                ground ?? "", credit.Copyright, credit.Author, credit.Contact, string.Join('/', ask.Links)));
        }
    }
}
