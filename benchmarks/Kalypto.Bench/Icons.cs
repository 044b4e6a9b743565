using System.Globalization;
using Kalypto.Core.Exporting;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;

namespace Kalypto.Bench;

/// <summary>Icons that others drew, as layers that ship.</summary>
internal static class Icons
{
    private const int Most = 120;
    private const int Scale = 3;

    /// <summary>
    /// Writes some icons of a folder as they are cut out of their drawing (<c>.raw.svg</c>) and as they ship
    /// (<c>.svg</c>), and compares the weights of their PNGs.
    /// </summary>
    /// <param name="demo">The folder of the demo, for its fonts.</param>
    /// <param name="folder">A folder of SVG files.</param>
    /// <param name="output">Takes the drawings.</param>
    public static async Task RunAsync(string demo, string folder, string output)
    {
        var files = Directory.GetFiles(folder, "*.svg").Order(StringComparer.Ordinal).ToList();
        var jobs = new List<Building.Job>();
        foreach (var file in files.Where((_, i) => i % Math.Max(1, files.Count / Most) == 0).Take(Most))
        {
            var name = Path.Combine(output, Path.GetFileNameWithoutExtension(file));
            var drawing = SvgReader.Read(await File.ReadAllBytesAsync(file), Path.GetFileNameWithoutExtension(file));
            var isolation = Isolation.Of(drawing, drawing.Layers[0]);
            var box = drawing.Box;
            await File.WriteAllTextAsync(name + ".raw.svg", isolation.Document(box, box.Width, box.Height));
            await File.WriteAllTextAsync(name + ".svg", SvgExport.Of(isolation, box, box.Width, box.Height));
            jobs.Add(new(isolation.Document(box, box.Width * Scale, box.Height * Scale), (int)box.Width * Scale, (int)box.Height * Scale));
        }
        using var renderer = Building.Renderer(demo, 2);
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{jobs.Count} icons at {Scale}x:"));
        await Weights.OfPngsAsync(jobs, renderer);
    }
}
