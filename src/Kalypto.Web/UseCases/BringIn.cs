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

    /// <summary>Makes a project for every platform.</summary>
    public Task<int> NewProjectAsync(string name, CancellationToken cancel) =>
        projects.AddAsync(name, [.. AllPlatforms.List.Select(p => p.Id)], cancel);

    /// <summary>Reads a file and adds it as a design; a file that cannot be read changes nothing.</summary>
    public async Task<BroughtIn> FileAsync(int project, string fileName, byte[] file, CancellationToken cancel)
    {
        var name = DesignName(fileName);
        try
        {
            var drawing = await Task.Run(() => SvgReader.Read(file, name), cancel);
            var shapes = await renderer.MeasureAsync(drawing, cancel);
            var id = await designs.AddAsync(project, name, drawnAt: 1, fileName, file, drawing, shapes, cancel);
            return new(fileName, id, $"{Count(drawing.Layers.Length - 1, "layer")} on {Count(drawing.Screens.Length, "screen")}");
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

    private static string Count(int count, string what) => $"{count} {what}{(count == 1 ? "" : "s")}";
}
