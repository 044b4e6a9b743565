using System.IO.Compression;
using Kalypto.Core.Arranging;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Web.UseCases;

/// <summary>Brings drawings into a project.</summary>
public sealed class BringIn(ProjectStore projects, DesignStore designs, IRenderer renderer)
{
    /// <summary>The most bytes of one upload.</summary>
    public const long MostBytes = 260_000_000;

    private const int MostEntries = 500;

    /// <summary>Makes a project for every platform.</summary>
    public Task<int> NewProjectAsync(string name, CancellationToken cancel) =>
        projects.AddAsync(name, AllPlatforms.Usual, cancel);

    /// <summary>Reads a file, or every drawing in a zip, and adds each as a design. A file that cannot be read changes nothing and stops no other.</summary>
    public async IAsyncEnumerable<BroughtIn> FilesAsync(int project, string fileName, byte[] file, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        if (FileTypes.Of(file) != FileType.Zip || FileTypes.IsOpenRaster(file))
        {
            yield return await FileAsync(project, fileName, file, cancel);
            yield break;
        }
        var (zip, refusal) = OpenZip(fileName, file);
        if (refusal is not null)
        {
            yield return refusal;
            yield break;
        }
        using (zip)
        {
            var left = MostBytes;
            foreach (var entry in zip!.Entries.Where(e => e.Name.Length > 0 && DrawingReader.Endings.Contains(Path.GetExtension(e.Name).TrimStart('.').ToLowerInvariant())
                && !e.FullName.StartsWith("__MACOSX/", StringComparison.Ordinal)))
            {
                var bytes = await UnpackAsync(entry, Math.Min(left, ReadingLimits.Default.Bytes), cancel);
                left -= bytes?.Length ?? 0;
                yield return bytes is null ? TooLarge(entry.Name, Math.Max(entry.Length, ReadingLimits.Default.Bytes)) : await FileAsync(project, entry.Name, bytes, cancel);
            }
        }
    }

    /// <summary>Reads a file and adds it as a design; a file that cannot be read changes nothing.</summary>
    public async Task<BroughtIn> FileAsync(int project, string fileName, byte[] file, CancellationToken cancel)
    {
        var name = DesignName(fileName);
        try
        {
            if (FileTypes.Of(file) == FileType.Webp)
            {
                var png = await renderer.ToPngAsync(file, cancel);
                file = png.Bytes ?? throw new DrawingRefusedException(png.Failure!.TrimEnd('.'), "Save it as PNG and bring that in");
            }
            var drawing = await Task.Run(() => DrawingReader.Read(file, name), cancel);
            var shapes = await renderer.MeasureAsync(drawing, cancel);
            var drawnAt = DeviceSizes.DrawnAt([.. drawing.Screens.Select(s => s.Box)]);
            var id = await designs.AddAsync(project, name, drawnAt, fileName, file, drawing, shapes, cancel);
            return new(fileName, id, $"{Count(drawing.Layers.Length - 1, "layer")} on {Count(drawing.Screens.Length, "screen")}{(drawnAt > 1 ? $", drawn at {drawnAt}x by the look of its size" : "")}");
        }
        catch (DrawingRefusedException e)
        {
            return new(fileName, null, $"{fileName} was not brought in. {e.Message}");
        }
    }

    /// <summary>The answer to a file that is not even read.</summary>
    public static BroughtIn TooLarge(string fileName, long bytes) => new(fileName, null,
        $"{fileName} was not brought in. The file has {bytes / 1_000_000} MB; {ReadingLimits.Default.Bytes / 1_000_000} MB is the most. Split the drawing into several files, or embed its photos smaller.");

    /// <summary>The name of a design: that of its file, without folders and ending, as words.</summary>
    public static string DesignName(string fileName)
    {
        var name = Path.GetFileNameWithoutExtension(fileName.Replace('\\', '/')).Replace('_', ' ').Replace('-', ' ').Replace("\0", "", StringComparison.Ordinal).Trim();
        name = name.Length > 80 ? name[..80] : name;
        return name.Length == 0 ? "Drawing" : char.ToUpperInvariant(name[0]) + name[1..];
    }

    private static (ZipArchive? Zip, BroughtIn? Refusal) OpenZip(string fileName, byte[] file)
    {
        try
        {
            var zip = new ZipArchive(new MemoryStream(file, writable: false), ZipArchiveMode.Read);
            if (zip.Entries.Count > MostEntries)
            {
                return (null, new(fileName, null, $"{fileName} was not brought in. The zip holds more than {MostEntries} entries. Make several zips of it."));
            }
            return zip.Entries.Any(e => DrawingReader.Endings.Contains(Path.GetExtension(e.Name).TrimStart('.').ToLowerInvariant())) ? (zip, null)
                : (null, new(fileName, null, $"{fileName} was not brought in. The zip holds no drawing. Kalypto reads {string.Join(", ", DrawingReader.Endings)}."));
        }
        catch (InvalidDataException)
        {
            return (null, new(fileName, null, $"{fileName} was not brought in. The zip is not whole. Make it again and bring that in."));
        }
    }

    // The size that a zip says of itself proves nothing; what is unpacked is counted.
    private static async Task<byte[]?> UnpackAsync(ZipArchiveEntry entry, long most, CancellationToken cancel)
    {
        try
        {
            await using var source = await entry.OpenAsync(cancel);
            using var target = new MemoryStream();
            var buffer = new byte[81920];
            for (int read; (read = await source.ReadAsync(buffer, cancel)) > 0;)
            {
                if (target.Length + read > most)
                {
                    return null;
                }
                target.Write(buffer, 0, read);
            }
            return target.ToArray();
        }
        catch (InvalidDataException)
        {
            return [];
        }
    }

    private static string Count(int count, string what) => $"{count} {what}{(count == 1 ? "" : "s")}";
}
