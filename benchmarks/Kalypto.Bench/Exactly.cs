using System.Collections.Concurrent;
using System.Globalization;
using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Exact;
using Kalypto.Drawing.Workers;

namespace Kalypto.Bench;

/// <summary>Drawing layers by the exact engine, beside the same layers by the quick one.</summary>
internal sealed class Exactly : ISources
{
    private const int Layers = 60;
    private static readonly string[] Demo = ["visitor-app.svg", "website.svg"];
    private readonly Dictionary<string, byte[]> files;

    private Exactly(params byte[][] files) => this.files = files.ToDictionary(f => Fingerprint.Of(f).Hex);

    public static async Task RunAsync(string demo)
    {
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1000 1000'><path id='p' d='M5 60q40-60 80 0'/>{string.Concat(Enumerable.Range(0, Layers)
            .Select(i => $"<g transform='translate({i % 10 * 100} {i / 10 * 100})'><circle cx='45' cy='45' r='{20 + i % 9}' style='filter:brightness(1.2)' fill='#3a7ca5'/><text font-size='14'><textPath href='#p'>round {i}</textPath></text></g>"))}</svg>");
        var fonts = Path.GetFullPath(Path.Combine(demo, "fonts"));
        var screens = Demo.Select(name => File.ReadAllBytes(Path.Combine(demo, name))).ToList();
        using var renderer = new WorkerRenderer(new() { Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"), Fonts = fonts }, new ExactEngine(new() { Fonts = fonts }), new Exactly([file, .. screens]));
        if (renderer.Exact is null)
        {
            Report.Line("layers drawn exactly in a second", "none", "there is no Chromium", false);
            return;
        }
        var drawing = SvgReader.Read(file, "Drawing");
        var layers = drawing.Layers.Where(l => l.Content == LayerContent.Group).ToList();
        async Task DrawAsync(Func<Isolation, Box, Scene> scene)
        {
            foreach (var (i, layer) in layers.Index())
            {
                var crop = new Box(i % 10 * 100, i / 10 * 100, 100, 100);
                _ = await renderer.PixelsAsync(scene(Isolation.Of(drawing, layer), crop), 200, 200, default);
            }
        }
        await DrawAsync((isolation, crop) => isolation.Scene(crop, 200, 200));
        var exact = layers.Count / await Report.SecondsAsync(() => DrawAsync((isolation, crop) => isolation.Scene(crop, 200, 200)));
        var quick = layers.Count / await Report.SecondsAsync(() => DrawAsync((isolation, crop) => isolation.Document(crop, 200, 200)));
        Report.Line($"layers drawn exactly in a second, at 2x (quick: {quick.ToString("0", CultureInfo.InvariantCulture)})", Report.Text(exact), "> 5", exact > 5);

        // As in a build: files of both engines at once.
        var most = 0L;
        using (new Timer(_ => most = Math.Max(most, ProcessFamily.Of(Environment.ProcessId).Memory), null, 0, 100))
        {
            await Task.WhenAll(
                DrawAsync((isolation, crop) => isolation.Scene(crop, 200, 200)),
                DrawAsync((isolation, crop) => isolation.Document(crop, 200, 200)),
                Parallel.ForEachAsync(Enumerable.Range(0, 3), async (_, cancel) => await renderer.DrawAsync(Isolation.Of(drawing, drawing.Layers[0]).Document(drawing.Box, 1600, 1600), 1600, 1600, Effort.Best, cancel)));
        }
        Report.Line("memory of all processes meanwhile, MB", Report.Text(most / 1e6), "< 900", most < 900_000_000);

        var (count, worst) = (0, 1.0);
        var measured = new List<MeasuredDrawing>();
        foreach (var screen in screens)
        {
            var read = SvgReader.Read(screen, "Drawing");
            measured.Add(new(read, await renderer.MeasureAsync(read, null, default)));
        }
        var seconds = await Report.SecondsAsync(async () =>
        {
            // As when a drawing has come in: as many screens at once as there are workers.
            var proofs = new ConcurrentBag<double>();
            await Parallel.ForEachAsync(measured.SelectMany(m => m.Drawn.Screens.Select(s => (m, s))), new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
                async (screen, cancel) => proofs.Add((await Proof.OfAsync(renderer, screen.m, screen.s, cancel)).Proof?.Equal ?? 0));
            (count, worst) = (proofs.Count, proofs.Min());
        });
        Report.Line($"proof of {count} screens, s (equal to the browser: {(100 * worst).ToString("0.00", CultureInfo.InvariantCulture)}% or more)", Report.Text(seconds), "< 15", seconds < 15);
    }

    public Task<ReadOnlyMemory<byte>?> FindAsync(string sha256, CancellationToken cancel) => Task.FromResult<ReadOnlyMemory<byte>?>(files[sha256]);

    public IDisposable Lend(ReadOnlyMemory<byte> file) => throw new NotSupportedException();
}
