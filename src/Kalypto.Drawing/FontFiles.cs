using System.Collections.Concurrent;
using Kalypto.Core.Fonts;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing;

/// <summary>The fonts of projects as files that workers can read, each written when it is first drawn with, in a folder that goes with this process.</summary>
internal sealed class FontFiles(ISources? sources) : IDisposable
{
    private readonly Lazy<string> folder = new(MakeFolder);
    private readonly ConcurrentDictionary<string, Task<bool>> written = new(StringComparer.Ordinal);

    /// <summary>The fonts of a book; one whose file is not kept any more is left out.</summary>
    public async Task<IReadOnlyList<FontOnDisk>> OfAsync(FontBook book)
    {
        var found = new List<FontOnDisk>();
        foreach (var same in book.Fonts.GroupBy(f => f.Sha256))
        {
            // A drawing may bring a font along by another name than the project has it by.
            var font = same.First();
            if (await IsThereAsync(font))
            {
                found.Add(new(PathOf(font), [.. same.SelectMany(f => f.Names).Distinct(StringComparer.OrdinalIgnoreCase)], font.Instances.DistinctBy(i => i.Style).ToDictionary(i => i.Style, i => i.Name), font.Embedding == FontEmbedding.Not));
            }
        }
        return found;
    }

    /// <summary>The bytes of a font; null for one that is not kept any more.</summary>
    public async Task<byte[]?> ReadAsync(Font font, CancellationToken cancel) => await IsThereAsync(font) ? await File.ReadAllBytesAsync(PathOf(font), cancel) : null;

    public void Dispose()
    {
        if (folder.IsValueCreated)
        {
            try
            {
                Directory.Delete(folder.Value, recursive: true);
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                // It lies where the system cleans up by itself.
            }
        }
    }

    private string PathOf(Font font) => Path.Combine(folder.Value, $"{font.Sha256}.font");

    private async Task<bool> IsThereAsync(Font font)
    {
        if (File.Exists(PathOf(font)))
        {
            return true;
        }
        var writing = written.AddOrUpdate(font.Sha256, _ => WriteAsync(font), (_, before) => before.IsCompleted ? WriteAsync(font) : before);
        return await writing;
    }

    private async Task<bool> WriteAsync(Font font)
    {
        if (sources is null || await sources.FindAsync(font.Sha256, default) is not { } bytes)
        {
            return false;
        }
        var path = PathOf(font);
        // Whoever cleans up what is temporary takes the folder too.
        Directory.CreateDirectory(folder.Value);
        var half = $"{path}.{Guid.NewGuid():N}";
        await File.WriteAllBytesAsync(half, bytes.ToArray());
        File.Move(half, path, overwrite: true);
        return true;
    }

    private static string MakeFolder()
    {
        var made = Directory.CreateTempSubdirectory("kalypto-fonts-").FullName;
        // Workers run as somebody else than the server.
        if (!OperatingSystem.IsWindows())
        {
            File.SetUnixFileMode(made, (UnixFileMode)Convert.ToInt32("755", 8));
        }
        return made;
    }
}
