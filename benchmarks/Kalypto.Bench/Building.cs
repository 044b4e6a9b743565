using System.Diagnostics;
using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Packing;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Drawing.Workers;

namespace Kalypto.Bench;

/// <summary>Drawing and encoding the demo's layers: on one and two processors, and against one command-line renderer process a file.</summary>
internal static class Building
{
    internal sealed record Job(string Document, int Width, int Height);

    public static async Task RunAsync(string demo)
    {
        using var one = Renderer(demo, 1);
        using var two = Renderer(demo, 2);
        var jobs = await JobsAsync(demo, two);
        await DrawAllAsync(one, jobs.Take(4));
        await DrawAllAsync(two, jobs.Take(8));

        var alone = await Report.SecondsAsync(() => DrawAllAsync(one, jobs));
        var both = await Report.SecondsAsync(() => DrawAllAsync(two, jobs));
        Report.Line($"building {jobs.Count} files: two processors / one", Report.Text(alone / both), "> 1.7", alone / both > 1.7);

        await ComparedWithCommandLineAsync(jobs.Take(60).ToList(), two);
        await Weights.OfPngsAsync(jobs, two);
        await PhotosAsync(demo);
    }

    private static async Task ComparedWithCommandLineAsync(List<Job> jobs, WorkerRenderer renderer)
    {
        if (!Programs.Exist("rsvg-convert"))
        {
            Report.Line("a command-line renderer process a file / ours, quick", "skipped", "> 5 (apt-get install librsvg2-bin)", true);
            return;
        }
        var ours = await Report.SecondsAsync(() => Parallel.ForEachAsync(jobs, async (j, c) => await renderer.DrawAsync(j.Document, j.Width, j.Height, Effort.Quick, c)));
        var folder = Directory.CreateTempSubdirectory("kalypto-bench-").FullName;
        var theirs = await Report.SecondsAsync(async () =>
        {
            for (var i = 0; i < jobs.Count; i++)
            {
                var path = Path.Combine(folder, $"{i}.svg");
                await File.WriteAllTextAsync(path, jobs[i].Document);
                Programs.Run("rsvg-convert", path, "-o", Path.Combine(folder, $"{i}.png"));
            }
        });
        Directory.Delete(folder, recursive: true);
        Report.Line("a command-line renderer process a file / ours, quick", Report.Text(theirs / ours), "> 5", theirs / ours > 5);
    }

    private static async Task<List<Job>> JobsAsync(string demo, WorkerRenderer renderer)
    {
        var jobs = new List<Job>();
        var drawing = SvgReader.Read(await File.ReadAllBytesAsync(Path.Combine(demo, "visitor-app.svg")), "Drawing");
        var shapes = await renderer.MeasureAsync(drawing, null, default);
        foreach (var layer in drawing.Layers.Where(l => l.Content is LayerContent.Group && shapes[l.Ordinal] is not null))
        {
            var isolation = Isolation.Of(drawing, layer);
            var look = await renderer.LookAsync(isolation, shapes[layer.Ordinal]!.Value, isExact: false, default);
            if (Crop.Of(new CropKind.Ink(), 0, shapes[layer.Ordinal], look.Ink, drawing.Box) is { Box: var crop })
            {
                jobs.AddRange(Enumerable.Range(1, 3).Select(s => new Job(isolation.Document(crop, crop.Width * s, crop.Height * s), (int)crop.Width * s, (int)crop.Height * s)));
            }
        }
        return jobs;
    }

    /// <summary>The weights of what shows photos, and of a screen, in formats that lose something.</summary>
    public static async Task PhotosAsync(string demo)
    {
        using var renderer = Renderer(demo, 2);
        var drawing = SvgReader.Read(await File.ReadAllBytesAsync(Path.Combine(demo, "website.svg")), "Drawing");
        var shapes = await renderer.MeasureAsync(drawing, null, default);
        await Weights.OfPhotosAsync([.. drawing.Layers.Where(l => l.Content is LayerContent.Image && shapes[l.Ordinal] is { Width: > 40 }).Take(6)
            .Select(l => (Layer: l, Box: shapes[l.Ordinal]!.Value.SnapOutwards(0))).Append((drawing.Layers[0], drawing.Box with { Height = Math.Min(drawing.Box.Height, 900) }))
            .Select(c => new Job(Isolation.Of(drawing, c.Item1).Document(c.Item2, c.Item2.Width, c.Item2.Height), (int)c.Item2.Width, (int)c.Item2.Height))], renderer);
    }

    private static Task DrawAllAsync(WorkerRenderer renderer, IEnumerable<Job> jobs) => Parallel.ForEachAsync(
        jobs, new ParallelOptions { MaxDegreeOfParallelism = 4 }, async (j, c) => await renderer.DrawAsync(j.Document, j.Width, j.Height, Effort.Best, c));

    internal static WorkerRenderer Renderer(string demo, int count) => new(new WorkerOptions
    {
        Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"),
        Fonts = Path.GetFullPath(Path.Combine(demo, "fonts")),
        Count = count,
    });
}
