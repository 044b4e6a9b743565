using System.Collections.Immutable;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>Works out the files of a picture in every format and size that is asked of it.</summary>
internal static class Sized
{
    private static readonly FormatAsk PngAsk = new(Format.Png);

    /// <summary>One file a format and size.</summary>
    /// <param name="ask">The picture.</param>
    /// <param name="takes">The formats that are made at all.</param>
    /// <param name="scales">The scales that a format is made in.</param>
    /// <param name="atScale">The path of a file at a scale; the third is what the name ends in, with the dot.</param>
    /// <param name="atSize">The path of a file of a width or height, such as <c>480w</c>.</param>
    /// <param name="alone">The path of a file that serves all scales.</param>
    /// <param name="links">True where a file may name others beside it.</param>
    public static IEnumerable<FileAsk> Files(
        PictureAsk ask, Func<Format, bool> takes, Func<FormatAsk, IEnumerable<Scale>> scales,
        Func<FormatAsk, Scale, string, string> atScale, Func<FormatAsk, string, string, string> atSize, Func<FormatAsk, string, string> alone, bool links = false)
    {
        var (making, crop) = (ask.Making, ask.Crop);
        foreach (var asked in making.Formats.Where(f => takes(f.Format)))
        {
            var format = asked.Scales.IsEmpty ? asked : asked with { Scales = [] };
            var ending = Ending(format, making);
            if (format.Format.IsVector)
            {
                foreach (var file in Drawn(FileAsk.At(alone(format, ending), format, new(1), crop), links ? ask.Picture.Inside : []))
                {
                    yield return file;
                }
                continue;
            }
            if (format.Format == Format.Ico)
            {
                yield return FileAsk.Square(alone(format, ending), format, 256, crop);
                continue;
            }
            foreach (var scale in scales(asked))
            {
                yield return FileAsk.At(atScale(format, scale, ending), format, scale, crop);
            }
            if (!asked.Scales.IsEmpty)
            {
                continue;
            }
            foreach (var wide in making.Wide)
            {
                yield return FileAsk.Wide(atSize(format, $"{wide}w", ending), format, wide, crop);
            }
            foreach (var tall in making.Tall)
            {
                yield return FileAsk.Tall(atSize(format, $"{tall}h", ending), format, tall, crop);
            }
        }
    }

    /// <summary>A square PNG.</summary>
    public static FileAsk Square(string path, int side, PictureAsk ask, double share = 1, bool opaque = false) =>
        FileAsk.Square(path, PngAsk, side, ask.Crop, share, opaque ? (ask.Making.Ground as Ground.Colour)?.Hex ?? "#ffffff" : null);

    /// <summary>A file of shapes, with the pictures inside it beside it where that is asked.</summary>
    private static IEnumerable<FileAsk> Drawn(FileAsk file, ImmutableArray<InsidePicture> inside)
    {
        if (file.Format.Quality is not Quality.Linked || inside.IsEmpty)
        {
            return [file.Format.Quality is Quality.Linked ? file with { Format = new(file.Format.Format) } : file];
        }
        var name = file.Path[..^file.Format.Format.Extension.Length];
        var beside = inside.Select((p, i) => new FileAsk($"{name}-{i + 1}{p.Format.Extension}", new(p.Format), new(1), p.Width, p.Height, file.Source) { Linked = i }).ToList();
        return [file with { Links = [.. beside.Select(b => b.Path[(b.Path.LastIndexOf('/') + 1)..])] }, .. beside];
    }

    // Two files of one ending need two names.
    private static string Ending(FormatAsk ask, Making making) =>
        (ask.Format == Format.Png8 && making.Makes(Format.Png) ? "-8bit" : "") + ask.Format.Extension;
}
