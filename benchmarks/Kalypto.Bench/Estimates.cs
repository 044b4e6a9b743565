using System.Collections.Concurrent;
using System.Globalization;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Drawing.Workers;

namespace Kalypto.Bench;

/// <summary>What files are said to weigh before they are drawn, beside what they weigh then.</summary>
internal static class Estimates
{
    private const double Near = 0.3;
    private const string Tags = " png png8 jpeg webp avif gif svg pdf";

    /// <summary>Weighs a part of the files of what Kalypto takes for pictures in some drawings, on all platforms and in all formats.</summary>
    /// <param name="demo">The folder of the demo, for its fonts.</param>
    /// <param name="drawings">SVG files.</param>
    /// <param name="isTold">True to print each file.</param>
    public static async Task RunAsync(string demo, IEnumerable<string> drawings, bool isTold = false)
    {
        using var renderer = Building.Renderer(demo, 2);
        var weights = new ConcurrentBag<(string Path, string Format, long Guess, long Real)>();
        foreach (var path in drawings)
        {
            var drawing = SvgReader.Read(await File.ReadAllBytesAsync(path), Path.GetFileNameWithoutExtension(path));
            var measured = new MeasuredDrawing(drawing, await renderer.MeasureAsync(drawing, null, default));
            var open = new DesignState(1, drawing.Root.Name, 1, measured, new Dictionary<int, Mark>());
            var design = open with { Marks = open.Suggested().Where(s => s.Together.IsEmpty).Select((s, i) => (s, i)).ToDictionary(s => s.s.Layer.Ordinal, s => new Mark(Decision.Ship, null, Core.Tagging.Tags.Parse(s.s.Kind + (s.i % 3 == 0 ? Tags : "")))) };
            var looks = new ConcurrentDictionary<Fingerprint, Look>();
            await Parallel.ForEachAsync(design.Marks.Keys, async (ordinal, cancel) =>
            {
                var isolation = design.Isolate(design.Layers[ordinal]);
                looks[DrawingKeys.WithoutFonts.Of(isolation)] = await renderer.LookAsync(isolation, measured.ShapeOf(design.Layers[ordinal])!.Value, isExact: false, cancel);
            });
            var files = new PackPlanner(new("bench"), key => looks.GetValueOrDefault(key)).Plan([design], AllPlatforms.List).Files.Where(f => !f.IsLinked && f.Picture.Making.Ground is not Ground.Screen).DistinctBy(f => f.Key).Where((_, i) => i % 3 == 0).ToList();
            await Parallel.ForEachAsync(files, async (file, cancel) =>
            {
                var made = await renderer.MakeFileAsync(design.Isolate(design.Layers[file.Picture.Ref.Ordinal]),
                    new(file.Source, (file.Ask.Source.Width, file.Ask.Source.Height), (file.Width, file.Height), file.Ask.Format) { Ground = file.Ground, TakesColour = file.TakesColour }, cancel);
                if (made.Bytes is { Length: var real })
                {
                    weights.Add((file.Path, file.Format.Id, WeightEstimate.Of(file), real));
                }
            });
        }
        if (isTold)
        {
            foreach (var (path, format, guess, real) in weights.OrderBy(w => w.Format).ThenBy(w => (double)w.Guess / w.Real))
            {
                Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{format,-6} {(double)guess / real,6:0.00} {guess,8} {real,8} {path}"));
            }
            foreach (var format in weights.GroupBy(w => w.Format))
            {
                Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{format.Key,-6} {format.Count(),4} files {format.Average(w => IsNear(w.Guess, w.Real) ? 100 : 0),5:0} % near, sum {(double)format.Sum(w => w.Guess) / format.Sum(w => w.Real):0.00}, median {format.Select(w => (double)w.Guess / w.Real).Order().ElementAt(format.Count() / 2):0.00}"));
            }
        }
        var near = weights.Average(w => IsNear(w.Guess, w.Real) ? 1.0 : 0);
        var sum = (double)weights.Sum(w => w.Guess) / weights.Sum(w => w.Real);
        Report.Line($"of {weights.Count} files estimated within 30 %", near.ToString("0.00", CultureInfo.InvariantCulture), "> 0.9", near > 0.9);
        Report.Line("estimated weight of all / weight", sum.ToString("0.00", CultureInfo.InvariantCulture), "0.7 to 1.3", Math.Abs(sum - 1) < Near);
    }

    private static bool IsNear(long guess, long real) => Math.Abs((double)guess / real - 1) <= Near;
}
