using System.Text;
using System.Text.Json;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Styling;
using Kalypto.Drawing.Encoders;
using Kalypto.Drawing.Exact;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing.Workers;

/// <summary>Draws in worker processes: a drawing that hangs or crashes the renderer costs itself only.</summary>
public sealed class WorkerRenderer : IRenderer, IDisposable
{
    // The renderer walks its document for each layer that it is asked for; smaller ones would be read too often.
    private const int MeasuredAtOnce = 200;

    // Each takes a tenth of a second.
    private const int MostSeenExactly = 40;

    // Layers that measuring may fail at, each tried twice; what kills more of them is no drawing.
    private const int MostUnmeasured = 3;

    /// <summary>Of pictures of more pixels one is drawn at a time, for each takes several times its pixels of memory.</summary>
    public const long LargePixels = 4_000_000;

    // Goes up when an encoder or its settings change; the versions of the packages are pinned with it.
    private const string FileVersion = "5";

    // Goes up when what the exact engine is given, or what is made of its pictures, changes.
    private const string AveragingVersion = "5";
    private readonly WorkerPool drawers;

    // People wait for what these do: bringing in, comparing. Nothing that is drawn, however long, takes them.
    private readonly WorkerPool front;
    private readonly SemaphoreSlim large = new(1);
    private readonly FontFamilies fonts;
    private readonly FontFiles files;
    private readonly Lazy<string> identity;

    private readonly ExactEngine? exact;
    private readonly ExactScenes? scenes;

    /// <summary>Makes a renderer; its processes start when they are first needed.</summary>
    /// <param name="options">How workers are started.</param>
    /// <param name="exact">Draws what the workers do not draw as a browser does; null to do without. It is ended with the renderer.</param>
    /// <param name="sources">Where the exact engine finds the files, and both the fonts of projects.</param>
    public WorkerRenderer(WorkerOptions options, ExactEngine? exact = null, ISources? sources = null)
    {
        (drawers, front) = (new(options, options.Count), new(options, 1));
        this.exact = sources is null ? null : exact;
        fonts = new(options.Fonts);
        files = new(sources);
        scenes = sources is not null && exact is not null ? new(exact, sources, files, AskAsync) : null;
        Version = $"{LibraryVersions.All()} {PngEncoder.Version} {SvgExport.Version} {VectorDrawable.Version} files {FileVersion}";
        identity = new(() => Fingerprint.Of(Version, fonts.All, Exact ?? "").Hex);
    }

    /// <inheritdoc/>
    public string Version { get; }

    /// <inheritdoc/>
    public string? Exact => exact?.Version is { } browser ? $"{browser} averaged {AveragingVersion}" : null;

    /// <inheritdoc/>
    public string Identity => identity.Value;

    /// <inheritdoc/>
    public string FontsOf(string families) => fonts.FingerprintOf(families);

    /// <inheritdoc/>
    public async Task<IReadOnlyList<Box?>> MeasureAsync(DrawingTree drawing, IProgress<int>? progress, CancellationToken cancel)
    {
        var shapes = new Box?[drawing.Layers.Length];
        var measured = 0;
        foreach (var hidden in new[] { false, true })
        {
            // Groups are the union of what is in them, so only what lies in no other layer's way is asked for.
            var layers = drawing.Layers.Where(l => l.Parent is not null && l.Children.Count == 0 && l.HiddenHere == hidden).ToList();
            var document = new MeasuringDocument(drawing, hidden);
            foreach (var some in layers.Chunk(MeasuredAtOnce))
            {
                await MeasureAsync(drawing, some, document.Of(some), shapes, cancel);
                progress?.Report(measured += some.Length);
            }
        }
        await SeeExactlyAsync(drawing, shapes, cancel);
        foreach (var layer in drawing.Layers.Reverse().Where(l => l.Children.Count > 0))
        {
            shapes[layer.Ordinal] = layer.Children.Where(c => !c.Hidden).Select(c => shapes[c.Ordinal])
                .Aggregate((Box?)null, (all, box) => all is { } a && box is { } b ? a.Union(b) : all ?? box);
        }
        foreach (var layer in drawing.Layers.Where(l => l.Content == LayerContent.Screen))
        {
            shapes[layer.Ordinal] = drawing.Screens.FirstOrDefault(s => s.Root == layer)?.Box ?? drawing.Box;
        }
        return shapes;
    }

    /// <summary>Layers in which the quick engine sees nothing, or not what a browser does, get the box of what the exact one draws of them.</summary>
    private async Task SeeExactlyAsync(DrawingTree drawing, Box?[] shapes, CancellationToken cancel)
    {
        if (Exact is null || drawing.Source is null)
        {
            return;
        }
        // Effects, clips and masks do not change a shape.
        var unseen = drawing.Layers.Where(l => l.Parent is not null && l.Children.Count == 0 && l.Element.SelfAndDescendants().Any(e => e.Beyond is not null) && !IsEffect(l.Element));
        foreach (var layer in unseen.OrderBy(l => shapes[l.Ordinal] is not null).Take(MostSeenExactly))
        {
            var isolation = Isolation.Of(drawing, layer);
            var near = shapes[layer.Ordinal] is { } shape ? shape.Inflate(Math.Max(shape.Width, shape.Height)) : (await LookAsync(isolation, drawing.Box, isExact: false, cancel)).Ink;
            if (near is { } place && (await LookAsync(isolation, place, isExact: false, cancel)).Ink is { } found)
            {
                shapes[layer.Ordinal] = found;
            }
        }

        static bool IsEffect(Element element) => element.Style("filter") is not (null or "none") || element.Style("clip-path") is not (null or "none") || element.Style("mask") is not (null or "none");
    }

    private async Task MeasureAsync(DrawingTree drawing, Layer[] layers, string document, Box?[] shapes, CancellationToken cancel)
    {
        var doubtful = new List<(Layer Layer, StrokeEdges Edges)>();
        var (next, tried, unmeasured) = (0, -1, 0);
        var held = await files.OfAsync(drawing.Fonts);
        while (next < layers.Length)
        {
            var rest = layers[next..];
            var done = 0;
            var failed = await AskAsync(
                new(WorkerTask.Measure, drawing.Box.Width, drawing.Box.Height, Effort.Quick, [.. rest.Select(MeasuringDocument.IdOf)]) { Fonts = held }, document, rest.Length,
                (answer, _) =>
                {
                    var layer = rest[done++];
                    if (answer is { Box: { } stroked, Outline: { } outline } && (HasSize(stroked) || HasSize(outline)))
                    {
                        // The renderer leaves pictures out of the box of fill and stroke.
                        var whole = !HasSize(stroked) ? outline : HasSize(outline) ? stroked.Union(outline) : stroked;
                        var edges = new StrokeEdges(Placed(whole), Placed(outline));
                        shapes[layer.Ordinal] = edges.Stroked;
                        if (edges.AreDoubtful && MeasuringDocument.MayBeDragged(layer))
                        {
                            doubtful.Add((layer, edges));
                        }
                    }
                },
                cancel);
            next = failed is null ? layers.Length : next + done;
            if (failed is not null)
            {
                // Whoever killed the worker may have meant something else: once more. A layer that kills it again stays without a box.
                var again = tried == next;
                tried = next;
                next += again ? 1 : 0;
                unmeasured += again ? 1 : 0;
                if (unmeasured > MostUnmeasured || failed.IsTime)
                {
                    throw new DrawingRefusedException("Measuring the layers takes longer or more memory than it may", "Make the drawing simpler, or split it into several files. When other drawings fail too, try again in a moment");
                }
            }
        }
        foreach (var (layer, edges) in doubtful)
        {
            var look = await LookAsync(Isolation.ShapeOf(drawing, layer), edges.Outline.Inflate(edges.SurelyWithin), isExact: false, cancel);
            shapes[layer.Ordinal] = look.Ink is { } seen ? edges.Settle(seen) : edges.Outline;
        }

        static bool HasSize(Box box) => box.Width > 0 || box.Height > 0;
        Box Placed(Box box) => box with { X = box.X + drawing.Box.X, Y = box.Y + drawing.Box.Y };
    }

    /// <inheritdoc/>
    public async Task<Look> LookAsync(Isolation isolation, Box shape, bool isExact, CancellationToken cancel)
    {
        // What the quick engine does not draw as a browser does may reach beyond what it measured.
        var reaches = isolation.HasFilter || (Exact is not null && (isExact || !isolation.Beyond.IsEmpty));
        var padding = reaches ? Math.Max(16, Math.Max(shape.Width, shape.Height) / 4) : 2;
        for (var round = 0; ; round++)
        {
            var region = shape.Inflate(padding).SnapOutwards(0);
            var scale = LookScale.For(region);
            var (width, height) = ((int)Math.Ceiling(region.Width * scale), (int)Math.Ceiling(region.Height * scale));
            Answer? seen = null;
            var source = new Box(region.X, region.Y, width / scale, height / scale);
            var failure = await AskSceneAsync(
                new(WorkerTask.Ink, width, height, Effort.Quick, []), isolation.Scene(source, width, height, isExact: isExact), 1, (answer, _) => seen = answer, cancel);
            if ((failure?.Sentence ?? seen?.Failure) is { } why)
            {
                return new(null, why) { IsPassing = failure is not null, IsSlow = failure?.IsTime == true };
            }
            if (seen!.Box is not { } ink)
            {
                return new(null, null);
            }
            var touches = ink.X == 0 || ink.Y == 0 || ink.Right == width || ink.Bottom == height;
            if (touches && reaches && round < 4)
            {
                // The effect reaches further than it was looked for.
                padding *= 2;
                continue;
            }
            var found = new Box(region.X + ink.X / scale, region.Y + ink.Y / scale, ink.Width / scale, ink.Height / scale);
            return new(isolation.HasFilter ? found : LookScale.Refine(found, shape, 1 / scale), null)
            {
                Colour = seen.Colour,
                IsFull = seen.IsFull,
                Weights = seen.Weights?.In(scale),
            };
        }
    }

    /// <inheritdoc/>
    public Task<Drawn> DrawAsync(Scene scene, int width, int height, Effort quality, CancellationToken cancel) => AskOneAsync(new(WorkerTask.Draw, width, height, quality, []), scene, cancel);

    /// <inheritdoc/>
    public Task<Drawn> PixelsAsync(Scene scene, int width, int height, CancellationToken cancel) => AskOneAsync(new(WorkerTask.Pixels, width, height, Effort.Quick, []), scene, cancel);

    /// <inheritdoc/>
    public void Dispose()
    {
        drawers.Dispose();
        front.Dispose();
        large.Dispose();
        exact?.Dispose();
        files.Dispose();
    }

    /// <inheritdoc/>
    public Task<Drawn> ToPlainAsync(byte[] picture, CancellationToken cancel) =>
        AskOneAsync((answers, take) => AskAsync(new(WorkerTask.ToPlain, 0, 0, Effort.Quick, []), picture, answers, take, cancel));

    /// <inheritdoc/>
    public async Task<Drawn> MakeAsync(FileOrder order, CancellationToken cancel)
    {
        var format = order.Ask.Format;
        if (format == Format.Svg || format == Format.Vector)
        {
            throw new ArgumentException($"{format.Name} is written by the core.", nameof(order));
        }
        return await AskOneAsync(
            new(WorkerTask.File, order.Width, order.Height, Effort.Best, []) { Format = format.Id, Quality = order.Ask.Held?.ToString() ?? "", Patch = order.Patch, IsP3 = order.KeepsWide, Credit = order.Credit, PlainCredit = order.Credit.ToAscii() },
            order.Scene, cancel);
    }

    /// <inheritdoc/>
    public Task<Drawn> SmallerAsync(byte[] png, CancellationToken cancel) => AskOneAsync((answers, take) => AskAsync(new(WorkerTask.Smaller, 0, 0, Effort.Best, []), png, answers, take, cancel));

    /// <inheritdoc/>
    public Task<Drawn> OutlinesAsync(Scene scene, double width, double height, CancellationToken cancel) =>
        AskOneAsync(new(WorkerTask.Outlines, width, height, Effort.Best, []) { Format = Format.Pdf.Id }, scene, cancel);

    /// <inheritdoc/>
    public async Task<Drawn> ResolvedAsync(Scene scene, CancellationToken cancel) =>
        Exact is null ? new(null, "There is no exact engine on this machine.") : await scenes!.ResolvedAsync(scene, cancel);

    /// <inheritdoc/>
    public async Task<IReadOnlyList<(Font Font, byte[] File)>> ReadFontsAsync(byte[] file, string fileName, CancellationToken cancel)
    {
        IReadOnlyList<(Font, byte[])>? read = null;
        string? refused = null;
        var failure = await AskAsync(new(WorkerTask.Font, 0, 0, Effort.Quick, []) { Name = fileName }, file, 1,
            (answer, body) => (refused, read) = (answer.Failure, answer.Failure is null ? FontReading.Take(body) : null), cancel);
        return read ?? throw new FontRefusedException(refused ?? "Reading the font takes more time or memory than it may, or crashes the reading");
    }

    /// <inheritdoc/>
    public async Task<IReadOnlyList<(Font Font, byte[] File)>> FontsInAsync(byte[] drawing, CancellationToken cancel)
    {
        if (drawing.AsSpan().IndexOf("@font-face"u8) < 0)
        {
            return [];
        }
        IReadOnlyList<(Font, byte[])> found = [];
        await AskAsync(new(WorkerTask.FontsIn, 0, 0, Effort.Quick, []), drawing, 1, (answer, body) => found = answer.Failure is null ? FontReading.Take(body) : [], cancel);
        return found;
    }

    /// <inheritdoc/>
    public async Task<IReadOnlyList<LineMeasure>> MeasureTextAsync(IReadOnlyList<TextAsk> texts, FontBook fonts, CancellationToken cancel)
    {
        LineMeasure[]? read = null;
        var failure = texts.Count == 0 ? null : await AskAsync(new(WorkerTask.Texts, 0, 0, Effort.Quick, []) { Texts = texts, Fonts = await files.OfAsync(fonts) }, "", 1,
            (answer, body) => read = answer.Failure is null ? JsonSerializer.Deserialize<LineMeasure[]>(body) : null, cancel);
        return failure is null && read is not null && read.Length == texts.Count ? read : [];
    }

    /// <inheritdoc/>
    public Task<Drawn> MergedAsync(byte[] drawing, CancellationToken cancel) =>
        AskOneAsync((answers, take) => AskAsync(new(WorkerTask.Merged, 0, 0, Effort.Quick, []), drawing, answers, take, cancel));

    /// <inheritdoc/>
    public async Task<PictureDifference?> CompareAsync(byte[] a, byte[] b, CancellationToken cancel)
    {
        PictureDifference? found = null;
        var failure = await AskAsync(new(WorkerTask.Compare, a.Length, 0, Effort.Quick, []), (byte[])[.. a, .. b], 1,
            (answer, body) => found = answer.Failure is null ? PictureComparison.Read(body) : null, cancel);
        return failure is null ? found : null;
    }

    /// <inheritdoc/>
    public IReadOnlyList<(Font Font, string Path)> FontFilesOf(string families) => fonts.FilesOf(families);

    /// <inheritdoc/>
    public string? StandInFor(string families) => fonts.StandInFor(families);

    private Task<EngineFailure?> AskAsync(Request request, string document, int answers, Action<Answer, byte[]> take, CancellationToken cancel) =>
        AskAsync(request, Encoding.UTF8.GetBytes(document), answers, take, cancel);

    private async Task<EngineFailure?> AskAsync(Request request, ReadOnlyMemory<byte> document, int answers, Action<Answer, byte[]> take, CancellationToken cancel)
    {
        if (request.Task is WorkerTask.Measure or WorkerTask.ToPlain or WorkerTask.Compare or WorkerTask.Font or WorkerTask.FontsIn or WorkerTask.Merged or WorkerTask.Texts)
        {
            return await front.AskAsync(request, document, answers, take, cancel);
        }
        var isLarge = request.Pixels > LargePixels;
        if (isLarge)
        {
            await large.WaitAsync(cancel);
        }
        try
        {
            return await drawers.AskAsync(request, document, answers, take, cancel);
        }
        finally
        {
            if (isLarge)
            {
                large.Release();
            }
        }
    }

    /// <summary>Has a scene drawn by the engine that draws it right, and its pixels taken by a worker.</summary>
    private async Task<EngineFailure?> AskSceneAsync(Request request, Scene scene, int answers, Action<Answer, byte[]> take, CancellationToken cancel)
    {
        if (!scene.IsExact || Exact is null || Canvas.IsTooLarge((int)request.Width, (int)request.Height))
        {
            return await AskAsync(request with { Fonts = await files.OfAsync(scene.Fonts), Margin = scene.Margin }, scene.WithMargin?.Invoke() ?? scene.Document, answers, take, cancel);
        }
        return await scenes!.DrawAsync(request, scene, take, cancel);
    }

    private Task<Drawn> AskOneAsync(Request request, Scene scene, CancellationToken cancel) => AskOneAsync((answers, take) => AskSceneAsync(request, scene, answers, take, cancel));

    /// <summary>Asks for one answer.</summary>
    private static async Task<Drawn> AskOneAsync(Func<int, Action<Answer, byte[]>, Task<EngineFailure?>> ask)
    {
        Drawn? made = null;
        var failure = await ask(1, (answer, body) => made = answer.Failure is null ? new(body, null, answer.Note) : new(null, answer.Failure));
        return failure is null ? made! : new(null, failure.Sentence) { IsPassing = true, IsSlow = failure.IsTime };
    }
}
