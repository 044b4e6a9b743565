using System.Text;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Encoders;
using Kalypto.Drawing.Exact;

namespace Kalypto.Drawing.Workers;

/// <summary>Has scenes drawn by the exact engine: cut out of their files, with the fonts of their projects, and made into pixels or files by a worker.</summary>
/// <param name="exact">The engine.</param>
/// <param name="sources">Where it finds the files.</param>
/// <param name="files">The fonts of projects.</param>
/// <param name="ask">Asks a worker.</param>
internal sealed class ExactScenes(ExactEngine exact, ISources sources, FontFiles files, ExactScenes.Ask ask)
{
    /// <summary>Asks a worker, and has its answers taken.</summary>
    internal delegate Task<EngineFailure?> Ask(Request request, ReadOnlyMemory<byte> document, int answers, Action<Answer, byte[]> take, CancellationToken cancel);

    /// <summary>Draws a scene, and has a worker make of it what is asked.</summary>
    public async Task<EngineFailure?> DrawAsync(Request request, Scene scene, Action<Answer, byte[]> take, CancellationToken cancel)
    {
        var (document, refused, failure) = await DocumentOfAsync(scene, cancel);
        if (document is null)
        {
            if (refused is not null)
            {
                take(refused, []);
            }
            return failure;
        }
        var faces = await FacesAsync(scene, cancel);
        if (request.Format == Format.Ico.Id)
        {
            return await IconFileAsync(request, document, faces, WindowOf(scene, request.Width, request.Height), take, cancel);
        }
        var isPdf = request.Format == Format.Pdf.Id;
        var window = WindowOf(scene, request.Width, request.Height);
        var (drawn, why) = isPdf ? await exact.PrintAsync(document, faces, window, cancel)
            : await exact.DrawAsync(document, faces, window, (int)request.Width, (int)request.Height, request.IsP3, cancel);
        return why ?? await ask(request with { IsDrawn = true, PrintedAt = request.Width / window.ShownWide, Fonts = isPdf ? await files.OfAsync(scene.Fonts) : [] }, drawn, 1, take, cancel);
    }

    /// <summary>What a browser makes of a scene, written anew.</summary>
    public async Task<Drawn> ResolvedAsync(Scene scene, CancellationToken cancel)
    {
        var (document, refused, failure) = await DocumentOfAsync(scene, cancel);
        if (document is null)
        {
            return new(null, refused?.Failure ?? failure!.Sentence) { IsPassing = failure is not null, IsSlow = failure?.IsTime == true };
        }
        var (svg, why) = await exact.ResolveAsync(document, await FacesAsync(scene, cancel), WindowOf(scene, 1, 1), cancel);
        return why is null ? new(svg, null) : new(null, why.Sentence) { IsPassing = true, IsSlow = why.IsTime };
    }

    private static WindowLayout WindowOf(Scene scene, double width, double height) => scene.Layout ?? WindowLayout.Of(new(0, 0, width, height), width, height);

    /// <summary>The document of a scene for the exact engine: the layer cut out of its own file, where that can be.</summary>
    private async Task<(string? Document, Answer? Refused, EngineFailure? Failure)> DocumentOfAsync(Scene scene, CancellationToken cancel)
    {
        if (scene.Cut is not { } cut)
        {
            return (scene.Document, null, null);
        }
        if (await sources.FindAsync(cut.Source, cancel) is not { } file)
        {
            return (null, new("The file that the drawing came in by is not kept any more.", null), null);
        }
        (string? Document, Answer? Refused) cutOut = default;
        var failure = await ask(new(WorkerTask.Cut, 0, 0, Effort.Quick, []) { Cut = cut }, file, 1,
            (answer, body) => cutOut = answer.Failure is null ? (Encoding.UTF8.GetString(body), null) : (null, answer), cancel);
        return failure is null ? (cutOut.Document, cutOut.Refused, null) : (null, null, failure);
    }

    /// <summary>Each size in an icon file is drawn by itself.</summary>
    private async Task<EngineFailure?> IconFileAsync(Request request, string document, IReadOnlyList<FontFace> faces, WindowLayout window, Action<Answer, byte[]> take, CancellationToken cancel)
    {
        var (entries, largest) = (new List<(int Side, byte[] Content)>(), (int)request.Width);
        foreach (var side in IcoWriter.SidesOf(largest))
        {
            var (png, why) = await exact.DrawAsync(document, faces, window, side, side, isP3: false, cancel);
            Answer? refused = null;
            var asPixels = IcoWriter.IsBitmap(side, largest);
            why ??= await ask(new(asPixels ? WorkerTask.Pixels : WorkerTask.Draw, side, side, Effort.Best, []) { IsDrawn = true }, png, 1, (answer, body) =>
            {
                refused = answer.Failure is null ? null : answer;
                entries.Add((side, asPixels && refused is null ? IcoWriter.Entry(side, largest, body, () => body) : body));
            }, cancel);
            if (why is not null || refused is not null)
            {
                if (refused is not null)
                {
                    take(refused, []);
                }
                return why;
            }
        }
        take(new(null, null), IcoWriter.Write(entries));
        return null;
    }

    private async Task<IReadOnlyList<FontFace>> FacesAsync(Scene scene, CancellationToken cancel)
    {
        var faces = new List<FontFace>();
        foreach (var font in scene.Fonts.Fonts)
        {
            if (await files.ReadAsync(font, cancel) is { } bytes)
            {
                faces.Add(new(font, bytes));
            }
        }
        return faces;
    }
}
