using System.Collections.Concurrent;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Styling;

namespace Kalypto.Application.Tests;

/// <summary>A renderer that draws nothing: boxes are those of rectangles, and a file is its own document. Files can be held up, and refused.</summary>
internal sealed class PaperRenderer : IRenderer
{
    private readonly TaskCompletionSource released = new(TaskCreationOptions.RunContinuationsAsynchronously);
    private readonly ConcurrentQueue<FileOrder> begun = new();
    private readonly ConcurrentQueue<FileOrder> made = new();

    /// <summary>Files that wait until they are released.</summary>
    public Func<FileOrder, bool> Holds { get; init; } = _ => false;

    /// <summary>Files that cannot be drawn.</summary>
    public Func<FileOrder, bool> Refuses { get; init; } = _ => false;

    /// <summary>Files at which the worker dies.</summary>
    public Func<FileOrder, bool> Crashes { get; set; } = _ => false;

    /// <summary>Pixels that take too long.</summary>
    public Func<Scene, bool> Stalls { get; set; } = _ => false;

    /// <summary>Is told what is made.</summary>
    public Action<IReadOnlyCollection<FileOrder>> Made { get; set; } = _ => { };

    /// <summary>What was begun, in that order.</summary>
    public IReadOnlyList<FileOrder> Begun => [.. begun];

    public string Version => "paper 1";

    /// <summary>An exact engine, whose pixels are others than those of the paper; null for none.</summary>
    public string? Exact { get; init; }

    /// <summary>At which widths in px the quick engine draws otherwise than the exact one.</summary>
    public Func<int, bool> DiffersAt { get; init; } = _ => true;

    public string Identity { get; init; } = "paper 1";

    /// <summary>The fonts there are, by family.</summary>
    public Dictionary<string, string> Fonts { get; init; } = [];

    public string FontsOf(string families) => Fonts.GetValueOrDefault(families, "");

    /// <summary>Lets everything go on.</summary>
    public void Release() => released.TrySetResult();

    public Task<IReadOnlyList<Box?>> MeasureAsync(DrawingTree drawing, IProgress<int>? progress, CancellationToken cancel)
    {
        var shapes = new Box?[drawing.Layers.Length];
        foreach (var layer in drawing.Layers.Reverse())
        {
            double Of(string name) => Numbers.Length(layer.Element[name]) ?? 0;
            shapes[layer.Ordinal] = layer.Parent is null ? drawing.Box
                : layer.Children.Count > 0 ? layer.Children.Select(c => shapes[c.Ordinal]!.Value).Aggregate((a, b) => a.Union(b))
                // A font of the project has letters of twice the width.
                : new(Of("x"), Of("y"), Of("width") * (drawing.Fonts.For([layer.Element["font-family"] ?? ""]).Fonts.IsEmpty ? 1 : 2), Of("height"));
        }
        return Task.FromResult<IReadOnlyList<Box?>>(shapes);
    }

    public Task<Look> LookAsync(Isolation isolation, Box shape, bool isExact, CancellationToken cancel) => Task.FromResult(new Look(shape, null));

    public Task<Drawn> DrawAsync(Scene scene, int width, int height, Effort quality, CancellationToken cancel) => Task.FromResult(new Drawn(Encoding.UTF8.GetBytes(scene.Document), null));

    /// <summary>Pixels are as dark as the letters of the document, so that equal documents look alike.</summary>
    public Task<Drawn> PixelsAsync(Scene scene, int width, int height, CancellationToken cancel) => Task.FromResult(Stalls(scene) ? new Drawn(null, "It takes too long.") { IsPassing = true, IsSlow = true } : new Drawn(
        scene.IsExact || !DiffersAt(width) ? [.. Enumerable.Repeat<byte>(255, width * height * 4)] : [.. Enumerable.Range(0, width * height).SelectMany(i => (byte[])[(byte)(scene.Document[i % scene.Document.Length] * 2), 90, 90, 255])], null));

    public async Task<Drawn> MakeAsync(FileOrder order, CancellationToken cancel)
    {
        begun.Enqueue(order);
        if (Holds(order))
        {
            await released.Task.WaitAsync(cancel);
        }
        if (Crashes(order))
        {
            return new(null, "It crashed.") { IsPassing = true };
        }
        made.Enqueue(order);
        Made([.. made]);
        return Refuses(order) ? new(null, "It is refused.") : new(Encoding.UTF8.GetBytes($"{order.Width} x {order.Height} {order.Ask} {(order.Scene.Fonts.Fonts.IsEmpty ? "" : $"with {order.Scene.Fonts.Key} ")}{(order.Scene.IsExact ? "exactly" : order.Scene.Document)}"), null);
    }

    public Task<Drawn> OutlinesAsync(Scene scene, double width, double height, CancellationToken cancel) => Task.FromResult(new Drawn(Encoding.UTF8.GetBytes(scene.Document), null));

    public Task<Drawn> ResolvedAsync(Scene scene, CancellationToken cancel) => Task.FromResult(new Drawn(Encoding.UTF8.GetBytes(scene.Document), null));

    public Task<IReadOnlyList<(Font Font, byte[] File)>> FontsInAsync(byte[] drawing, CancellationToken cancel) => Task.FromResult<IReadOnlyList<(Font Font, byte[] File)>>([]);

    public Task<IReadOnlyList<(Font Font, byte[] File)>> ReadFontsAsync(byte[] file, string fileName, CancellationToken cancel) =>
        Task.FromResult<IReadOnlyList<(Font, byte[])>>([(FontFile.Read(file, Fingerprint.Of(file).Hex, fileName), file)]);

    /// <summary>How any two pictures differ; null for two that cannot be compared.</summary>
    public PictureDifference? Difference { get; init; }

    public Task<IReadOnlyList<LineMeasure>> MeasureTextAsync(IReadOnlyList<TextAsk> texts, FontBook fonts, CancellationToken cancel) =>
        Task.FromResult<IReadOnlyList<LineMeasure>>([.. texts.Select(t => new LineMeasure(t.Words.Length * t.Size / 2, t.Size, t.Size / 4))]);

    public Task<Drawn> MergedAsync(byte[] drawing, CancellationToken cancel) => Task.FromResult(new Drawn(DrawingReader.Merged(drawing) ?? [], null));

    private int madeSmaller;

    /// <summary>How many files were written once more, as small as they go.</summary>
    public int MadeSmaller => madeSmaller;

    /// <summary>True to fail at that.</summary>
    public bool CannotMakeSmaller { get; init; }

    public Task<Drawn> SmallerAsync(byte[] png, CancellationToken cancel)
    {
        Interlocked.Increment(ref madeSmaller);
        return Task.FromResult(CannotMakeSmaller ? new(null, "It takes too long.") : new Drawn([.. png, .. ", smaller"u8], null));
    }

    public Task<PictureDifference?> CompareAsync(byte[] a, byte[] b, CancellationToken cancel) => Task.FromResult(Difference);

    public Task<Drawn> ToPlainAsync(byte[] picture, CancellationToken cancel) => Task.FromResult(new Drawn([], null));

    public IReadOnlyList<(Font Font, string Path)> FontFilesOf(string families) => [];

    public string? StandInFor(string families) => null;
}
