using System.Diagnostics;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Workers;

namespace Kalypto.Fuzz;

/// <summary>Sends files through reading, isolation, export and drawing, as bringing them in and shipping them does, and watches.</summary>
public sealed class Run(WorkerReader reader, WorkerRenderer renderer)
{
    // Bytes allocated here for a byte of the file: what the server takes for a drawing.
    private const int MostForByte = 300;
    private const int Spare = 4_000_000;
    private const int LayersOfEach = 3;
    private const int MostKept = 20;

    /// <summary>How long a file may take until it is answered.</summary>
    public TimeSpan Patience { get; init; } = TimeSpan.FromSeconds(10);

    /// <summary>True to look at what is allocated, which is that of the whole process.</summary>
    public bool CountsBytes { get; init; } = true;

    /// <summary>Runs files until there are enough of them.</summary>
    public async Task<Outcome> RunAsync(Mutator mutator, Func<int, bool> goesOn, CancellationToken cancel)
    {
        var (files, read, slowest, bad) = (0, 0, TimeSpan.Zero, new List<(string, byte[])>());
        for (; goesOn(files) && bad.Count < MostKept; files++)
        {
            var file = mutator.Next();
            var (start, allocated) = (Stopwatch.GetTimestamp(), GC.GetTotalAllocatedBytes());
            try
            {
                var drawing = await reader.ReadAsync(file, "fuzz", cancel);
                read++;
                if (CountsBytes && GC.GetTotalAllocatedBytes() - allocated is var bytes && bytes > (long)file.Length * MostForByte + Spare)
                {
                    bad.Add(($"{bytes / 1_000_000} MB were allocated for {file.Length} bytes", file));
                }
                await UseAsync(drawing, cancel);
            }
            catch (DrawingRefusedException e)
            {
                // Refusing is right; crashing the reading is not.
                if (e.Message.Contains("crashes the reading", StringComparison.Ordinal))
                {
                    bad.Add(("crashed or filled the reading worker", file));
                }
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                bad.Add(($"{e.GetType().Name}: {e.Message} {e.StackTrace?.Split('\n').FirstOrDefault(l => l.Contains("Kalypto.Core", StringComparison.Ordinal))?.Trim()}", file));
            }
            var took = Stopwatch.GetElapsedTime(start);
            slowest = took > slowest ? took : slowest;
            if (took > Patience)
            {
                bad.Add(($"took {took.TotalSeconds:0.0} s", file));
            }
        }
        return new(files, read, slowest, bad);
    }

    private async Task UseAsync(DrawingTree drawing, CancellationToken cancel)
    {
        foreach (var layer in drawing.Layers.Skip(1).Take(LayersOfEach))
        {
            var isolation = Isolation.Of(drawing, layer);
            var box = new Box(drawing.Box.X, drawing.Box.Y, Math.Min(200, drawing.Box.Width), Math.Min(200, drawing.Box.Height));
            _ = SvgExport.Of(isolation, box, box.Width, box.Height);
            _ = VectorDrawable.Of(isolation, box, box.Width, box.Height);
        }
        if (drawing.Layers.Length > 1)
        {
            // That it fails is the drawing's own affair, that it is not answered would be ours.
            _ = await renderer.DrawAsync(Isolation.Of(drawing, drawing.Layers[1]).Document(drawing.Box, 64, 64), 64, 64, Effort.Quick, cancel);
        }
    }
}
