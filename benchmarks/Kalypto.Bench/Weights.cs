using System.Globalization;
using System.Text;
using Kalypto.Core.Formats;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Workers;
using NetVips;

namespace Kalypto.Bench;

/// <summary>The weights of files beside those that other encoders make of the same pixels.</summary>
internal static class Weights
{
    private static readonly int[] Qualities = [35, 50, 60, 70, 80, 88, 94];

    /// <summary>PNGs as they are drawn ahead and as they are built, and those of few colours.</summary>
    public static async Task OfPngsAsync(List<Building.Job> jobs, WorkerRenderer renderer)
    {
        var pngs = new List<(Building.Job Job, byte[] Png)>();
        foreach (var job in jobs)
        {
            pngs.Add((job, (await renderer.DrawAsync(job.Document, job.Width, job.Height, Effort.Best, default)).Bytes!));
        }
        var built = new List<(Building.Job Job, byte[] Png)>();
        foreach (var (job, png) in pngs.Where((_, i) => i % 3 == 0))
        {
            built.Add((job, (await renderer.SmallerAsync(png, default)).Bytes!));
        }
        OfPng("optipng", "optipng -o2, drawn ahead", [.. pngs.Where(p => p.Png.Length < 400_000)], 1.02, "-quiet", "-force", "-o2");
        OfPng("zopflipng", "zopflipng, built, under 20 kB", [.. built.Where(p => p.Png.Length < 20_000)], 1.02, "-y");
        OfPng("zopflipng", "zopflipng, built, 20 to 200 kB", [.. built.Where(p => p.Png.Length is >= 20_000 and < 200_000)], 1.02, "-y");
        await OfFewColoursAsync(pngs, renderer);
    }

    /// <summary>Photos and screens in formats that lose something.</summary>
    public static async Task OfPhotosAsync(List<Building.Job> jobs, WorkerRenderer renderer)
    {
        await AtEqualLookAsync("JPEG", Format.Jpeg, "cjpeg", 1.02, jobs, renderer, (quality, png, file) =>
        {
            var plain = Path.ChangeExtension(png, ".ppm");
            using (var image = Image.NewFromFile(png))
            {
                // The simplest of formats, which it reads: a line of text before the pixels.
                File.WriteAllBytes(plain, [.. Encoding.ASCII.GetBytes($"P6 {image.Width} {image.Height} 255\n"), .. Pixels(File.ReadAllBytes(png))]);
            }
            Programs.Run("cjpeg", "-quality", $"{quality}", "-optimize", "-progressive", "-outfile", file, plain);
        });
        await AtEqualLookAsync("WebP", Format.WebP, "cwebp", 1.01, jobs, renderer, (quality, png, file) => Programs.Run("cwebp", "-quiet", "-q", $"{quality}", png, "-o", file));
        await AtEqualLookAsync("AVIF", Format.Avif, "avifenc", 1.02, jobs, renderer, (quality, png, file) =>
        {
            var quantizer = $"{(int)Math.Round((100 - quality) * 0.63)}";
            Programs.Run("avifenc", "--min", quantizer, "--max", quantizer, "-s", "6", "-y", "444", png, file);
        });
    }

    private static void OfPng(string program, string name, List<(Building.Job Job, byte[] Png)> pngs, double target, params string[] options)
    {
        var line = $"weight of {pngs.Count} PNG / {name}";
        if (!Programs.Exist(program) || pngs.Count == 0)
        {
            Report.Line(line, "skipped", $"< {target} ({program})", true);
            return;
        }
        long ours = 0, theirs = 0;
        InFolder(folder =>
        {
            foreach (var (_, png) in pngs)
            {
                var path = Path.Combine(folder, "a.png");
                File.WriteAllBytes(path, png);
                Programs.Run(program, [.. options, path, .. program == "zopflipng" ? new[] { path } : []]);
                ours += png.Length;
                theirs += new FileInfo(path).Length;
            }
        });
        Report.Line(line, Ratio(ours, theirs), $"< {target}", (double)ours / theirs < target);
    }

    private static async Task OfFewColoursAsync(List<(Building.Job Job, byte[] Png)> pngs, WorkerRenderer renderer)
    {
        if (!Programs.Exist("pngquant"))
        {
            Report.Line("weight of PNG 8-bit / pngquant", "skipped", "< 1.0 (pngquant)", true);
            return;
        }
        long ours = 0, theirs = 0;
        foreach (var (job, png) in pngs.Where(p => p.Png.Length < 400_000))
        {
            InFolder(folder =>
            {
                var (path, small) = (Path.Combine(folder, "a.png"), Path.Combine(folder, "b.png"));
                File.WriteAllBytes(path, png);
                Programs.Run("pngquant", "--force", "--output", small, "256", path);
                theirs += new FileInfo(small).Length;
            });
            ours += (await renderer.MakeAsync(new(job.Document, job.Width, job.Height, new(Format.Png8), CreditLines.None), default)).Bytes!.Length;
        }
        Report.Line("weight of PNG 8-bit / pngquant", Ratio(ours, theirs), "< 1.0", ours < theirs);
    }

    /// <summary>Compares weights where both differ as much from what was drawn, and how much they differ where both weigh as much.</summary>
    private static async Task AtEqualLookAsync(string name, Format format, string program, double target, List<Building.Job> jobs, WorkerRenderer renderer, Action<int, string, string> encode)
    {
        var line = $"weight of {jobs.Count} {name} / {program} that looks alike";
        if (!Programs.Exist(program))
        {
            Report.Line(line, "skipped", $"< {target} ({program})", true);
            return;
        }
        var (ratios, decibels) = (new List<double>(), new List<double>());
        foreach (var job in jobs)
        {
            var png = (await renderer.DrawAsync(job.Document, job.Width, job.Height, Effort.Best, default)).Bytes!;
            var drawn = Pixels(png);
            var theirs = new List<(double Weight, double Noise)>();
            InFolder(folder =>
            {
                var (path, file) = (Path.Combine(folder, "a.png"), Path.Combine(folder, "b" + format.Extension));
                File.WriteAllBytes(path, png);
                foreach (var quality in Qualities)
                {
                    encode(quality, path, file);
                    var bytes = File.ReadAllBytes(file);
                    theirs.Add((Math.Log(bytes.Length), Noise(drawn, Pixels(bytes))));
                }
            });
            foreach (var quality in new[] { 50, 60, 70, 80 })
            {
                var made = (await renderer.MakeAsync(new(job.Document, job.Width, job.Height, new(format, new Quality.Fixed(quality)), CreditLines.None), default)).Bytes!;
                var noise = Noise(drawn, Pixels(made));
                if (Between([.. theirs.Select(t => (t.Noise, t.Weight))], noise) is { } weight && Between(theirs, Math.Log(made.Length)) is { } other)
                {
                    ratios.Add(Math.Log(made.Length) - weight);
                    decibels.Add(noise - other);
                }
            }
        }
        var ratio = Math.Exp(ratios.Average());
        Report.Line(line, ratio.ToString("0.000", CultureInfo.InvariantCulture), $"< {target}", ratio < target);
        Report.Line($"dB of {name} over {program} of equal weight", decibels.Average().ToString("+0.00;-0.00", CultureInfo.InvariantCulture), "> -0.2", decibels.Average() > -0.2);
    }

    /// <summary>What a curve says at a place between its points; null outside.</summary>
    private static double? Between(List<(double At, double Value)> curve, double at)
    {
        var points = curve.OrderBy(p => p.At).ToList();
        var next = points.FindIndex(p => p.At >= at);
        return next <= 0 ? null : points[next - 1] is var left && points[next] is var right
            ? left.Value + (right.Value - left.Value) * (at - left.At) / (right.At - left.At) : null;
    }

    /// <summary>How well the colours fit, on white, as the ratio of the largest to the mean difference, in dB.</summary>
    private static double Noise(byte[] a, byte[] b)
    {
        var sum = 0.0;
        for (var i = 0; i < a.Length; i++)
        {
            sum += (a[i] - b[i]) * (a[i] - b[i]);
        }
        return 10 * Math.Log10(255 * 255 / Math.Max(1e-3, sum / a.Length));
    }

    private static byte[] Pixels(byte[] file)
    {
        using var image = Image.NewFromBuffer(file);
        using var flat = OnWhite(image);
        return flat.WriteToMemory<byte>();
    }

    private static Image OnWhite(Image image)
    {
        using var colours = image.Colourspace(Enums.Interpretation.Srgb);
        return colours.HasAlpha() ? colours.Flatten(background: [255, 255, 255]) : colours.Copy();
    }

    private static void InFolder(Action<string> act)
    {
        var folder = Directory.CreateTempSubdirectory("kalypto-bench-").FullName;
        try
        {
            act(folder);
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private static string Ratio(long ours, long theirs) => ((double)ours / theirs).ToString("0.000", CultureInfo.InvariantCulture);
}
