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
        await CompareWeightsAsync(jobs, two);
    }

    /// <summary>The weights of PNG files beside those of other programs.</summary>
    internal static async Task CompareWeightsAsync(List<Job> jobs, WorkerRenderer renderer)
    {
        var pngs = new List<(Job Job, byte[] Png)>();
        foreach (var job in jobs)
        {
            pngs.Add((job, (await renderer.DrawAsync(job.Document, job.Width, job.Height, Effort.Best, default)).Bytes!));
        }
        ComparedWith("optipng", "optipng -o2", pngs, 400_000, "-quiet", "-force", "-o2");
        ComparedWith("zopflipng", "zopflipng, of those under 20 kB", [.. pngs.Where((_, i) => i % 3 == 0)], 20_000, "-y");
        await ComparedWithPngquantAsync(pngs, renderer);
    }

    private static async Task ComparedWithPngquantAsync(List<(Job Job, byte[] Png)> pngs, WorkerRenderer renderer)
    {
        if (!Exists("pngquant"))
        {
            Report.Line("weight of PNG 8-bit / pngquant", "skipped", "< 1.0 (apt-get install pngquant)", true);
            return;
        }
        var folder = Directory.CreateTempSubdirectory("kalypto-bench-").FullName;
        var (path, small) = (Path.Combine(folder, "a.png"), Path.Combine(folder, "b.png"));
        long ours = 0, theirs = 0;
        foreach (var (job, png) in pngs.Where(p => p.Png.Length < 400_000))
        {
            File.WriteAllBytes(path, png);
            Run("pngquant", "--force", "--output", small, "256", path);
            ours += (await renderer.MakeAsync(new(job.Document, job.Width, job.Height, new(Format.Png8), CreditLines.None), default)).Bytes!.Length;
            theirs += new FileInfo(small).Length;
        }
        Directory.Delete(folder, recursive: true);
        Report.Line("weight of PNG 8-bit / pngquant", ((double)ours / theirs).ToString("0.000", CultureInfo.InvariantCulture), "< 1.0", ours < theirs);
    }

    private static async Task ComparedWithCommandLineAsync(List<Job> jobs, WorkerRenderer renderer)
    {
        if (!Exists("rsvg-convert"))
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
                Run("rsvg-convert", path, "-o", Path.Combine(folder, $"{i}.png"));
            }
        });
        Directory.Delete(folder, recursive: true);
        Report.Line("a command-line renderer process a file / ours, quick", Report.Text(theirs / ours), "> 5", theirs / ours > 5);
    }

    private static void ComparedWith(string program, string name, List<(Job Job, byte[] Png)> pngs, int most, params string[] options)
    {
        if (!Exists(program))
        {
            Report.Line($"weight of PNG / {name}", "skipped", $"< 1.02 (apt-get install {program})", true);
            return;
        }
        var folder = Directory.CreateTempSubdirectory("kalypto-bench-").FullName;
        long ours = 0, theirs = 0;
        foreach (var (_, png) in pngs.Where(p => p.Png.Length < most))
        {
            var path = Path.Combine(folder, "a.png");
            File.WriteAllBytes(path, png);
            Run(program, [.. options, path, .. program == "zopflipng" ? new[] { path } : []]);
            ours += png.Length;
            theirs += new FileInfo(path).Length;
        }
        Directory.Delete(folder, recursive: true);
        Report.Line($"weight of PNG / {name}", ((double)ours / theirs).ToString("0.000", CultureInfo.InvariantCulture), "< 1.02", (double)ours / theirs < 1.02);
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

    private static Task DrawAllAsync(WorkerRenderer renderer, IEnumerable<Job> jobs) => Parallel.ForEachAsync(
        jobs, new ParallelOptions { MaxDegreeOfParallelism = 4 }, async (j, c) => await renderer.DrawAsync(j.Document, j.Width, j.Height, Effort.Best, c));

    internal static WorkerRenderer Renderer(string demo, int count) => new(new WorkerOptions
    {
        Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"),
        Fonts = Path.GetFullPath(Path.Combine(demo, "fonts")),
        Count = count,
    });

    private static bool Exists(string program) =>
        Environment.GetEnvironmentVariable("PATH")!.Split(':').Any(folder => File.Exists(Path.Combine(folder, program)));

    private static void Run(string program, params string[] arguments)
    {
        using var process = Process.Start(new ProcessStartInfo(program, arguments))!;
        process.WaitForExit();
    }
}
