using System.Globalization;
using System.Runtime.ExceptionServices;
using System.Text;
using System.Text.Json;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;
using Kalypto.Core.Reading;
using Kalypto.Drawing.Encoders;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing.Workers;

/// <summary>What runs inside a worker process: takes a request, draws, answers, until its input ends.</summary>
public static class WorkerLoop
{
    private const int LargeFile = 2_000_000;
    private static readonly TimeSpan ParentCheck = TimeSpan.FromSeconds(1);

    private const int ReadingStack = 16 * 1024 * 1024;

    // Pictures of this size leave so much behind that cleaning up at once is worth the moment that it takes.
    private const double LargePixels = 2_000_000;

    /// <summary>True when a process with the rights of this one can draw: every font can be read.</summary>
    /// <param name="fonts">The folder of the project's fonts.</param>
    /// <param name="isRestricted">True when the kernel holds what files it may touch.</param>
    public static bool CanWork(string fonts, bool isRestricted)
    {
        try
        {
            foreach (var font in Directory.Exists(fonts) ? Directory.EnumerateFiles(fonts) : [])
            {
                using var file = File.OpenRead(font);
            }
            Console.WriteLine($"{(isRestricted ? WorkerJail.FilesOnly : "")} {(Seccomp.Enter() ? WorkerJail.Filtered : "")}");
            return true;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return false;
        }
    }

    /// <summary>The last argument of a worker that restricted itself.</summary>
    public const string Restricted = "--restricted";

    /// <summary>Lets this process read programs, libraries and fonts alone, and begins it anew; comes back where the kernel does not let it.</summary>
    /// <param name="fonts">The folder of the project's fonts.</param>
    /// <param name="arguments">What it was started with.</param>
    public static void Restrict(string fonts, IEnumerable<string> arguments) =>
        Landlock.EnterAndBeginAnew([AppContext.BaseDirectory, fonts, Path.GetTempPath()], arguments.Append(Restricted));

    /// <summary>Runs until standard input ends or the parent is gone.</summary>
    /// <param name="fonts">The folder of the project's fonts.</param>
    /// <param name="memory">The most bytes of memory to take.</param>
    public static void Run(string fonts, long memory)
    {
        ProcessLimits.Memory((ulong)memory);
        WatchParent();
        // Whether it holds here was asked when the server started.
        _ = Seccomp.Enter();
        var held = new WorkerFonts(fonts);
        held.Use([]);
        using var input = Console.OpenStandardInput();
        using var output = Console.OpenStandardOutput();
        // All on this one thread: the libraries that set text keep what fonts there are for each thread.
        while (Frames.ReadAsync<Request>(input, CancellationToken.None).GetAwaiter().GetResult() is var (request, body))
        {
            Answer(request, body, held, output);
            if (request.Pixels > LargePixels || body.Length > LargeFile)
            {
                ProcessLimits.GiveBack();
            }
        }
    }

    private static void Answer(Request request, byte[] body, WorkerFonts fonts, Stream output)
    {
        try
        {
            if (request.Task == WorkerTask.Read)
            {
                Send(output, new(null, null), ReadOnStack(body, request.Name));
                return;
            }
            if (request.Task == WorkerTask.ToPlain)
            {
                Send(output, new(null, null), FileTypes.Of(body) == FileType.Pdf ? PdfPages.ToSvg(body) : PictureConverter.ToPlain(body));
                return;
            }
            if (request.Task == WorkerTask.Compare)
            {
                Send(output, new(null, null), PictureComparison.Compare(body, (int)request.Width));
                return;
            }
            if (request.Task == WorkerTask.Smaller)
            {
                Send(output, new(null, null), PngAgain.Smaller(body));
                return;
            }
            if (request.Task == WorkerTask.Cut)
            {
                Send(output, new(null, null), Encoding.UTF8.GetBytes(SourceDocument.Of(body, request.Cut!)));
                return;
            }
            if (request.Task == WorkerTask.Font)
            {
                Send(output, new(null, null), FontReading.Read(body, request.Name));
                return;
            }
            if (request.Task == WorkerTask.Merged)
            {
                Send(output, new(null, null), DrawingReader.Merged(body) ?? []);
                return;
            }
            if (request.Task == WorkerTask.FontsIn)
            {
                Send(output, new(null, null), FontReading.ReadIn(body));
                return;
            }
            var document = request.IsDrawn ? "" : Encoding.UTF8.GetString(body);
            // To change them takes a moment, and without text they are of no matter.
            if (request.Fonts.Count > 0 || request.Texts.Count > 0 || document.Contains("<text", StringComparison.Ordinal))
            {
                fonts.Use(request.Fonts);
            }
            if (request.Task == WorkerTask.Texts)
            {
                Send(output, new(null, null), JsonSerializer.SerializeToUtf8Bytes(Pango.Measure(request.Texts)));
                return;
            }
            if (request.Task == WorkerTask.Outlines)
            {
                Send(output, new(null, null), request.IsDrawn ? Vectors.OutlinesOf(body, request.Width, request.Height, request.PrintedAt) : Vectors.Outlines(document, request.Width, request.Height));
                return;
            }
            if (request.Task == WorkerTask.File)
            {
                var (file, note) = FileOf(request, document, body);
                Send(output, new(null, null, Note: note), file);
                return;
            }
            if (request.Task == WorkerTask.Measure)
            {
                using var handle = new Rsvg.Handle(document);
                foreach (var id in request.Ids)
                {
                    var shape = handle.Shape(id, request.Width, request.Height);
                    Send(output, new(null, ToBox(shape?.Stroked), ToBox(shape?.Outline)));
                }
                return;
            }
            var (width, height) = ((int)request.Width, (int)request.Height);
            using var canvas = request.IsDrawn ? Canvas.Average(body, width, height) : Canvas.Draw(document, width, height, request.Margin, request.Task == WorkerTask.Ink);
            if (request.Task == WorkerTask.Ink)
            {
                var ink = canvas.Ink();
                var (colour, isFull) = ink is { } seen ? canvas.Paint(seen) : (null, false);
                Send(output, new(null, ink) { Colour = colour, IsFull = isFull, Weights = ink is { } inked ? QuickWeights.Of(canvas.ToRgba(), width, inked) : null });
            }
            else if (request.Task == WorkerTask.Pixels)
            {
                Send(output, new(null, null), canvas.ToRgba().ToArray());
            }
            else
            {
                Send(output, new(null, null), PngEncoder.Encode(canvas.ToRgba(), width, height, request.Effort));
            }
        }
        catch (DrawingRefusedException e)
        {
            Send(output, new(e.Message, null, Note: e.Line.ToString(CultureInfo.InvariantCulture)));
        }
        catch (Exception e) when (e is RenderingFailedException or FontRefusedException)
        {
            Send(output, new(e.Message, null));
        }
    }

    // Parsers of style sheets call themselves for each bracket.
    private static byte[] ReadOnStack(byte[] file, string name)
    {
        var (read, failure) = ((byte[]?)null, (ExceptionDispatchInfo?)null);
        var thread = new Thread(() =>
        {
            try
            {
                read = ReadForm.Write(DrawingReader.Read(file, name), ReadingLimits.Default.ReadBytes);
            }
            catch (Exception e)
            {
                failure = ExceptionDispatchInfo.Capture(e);
            }
        }, ReadingStack);
        thread.Start();
        thread.Join();
        failure?.Throw();
        return read!;
    }

    private static (byte[] File, string? Note) FileOf(Request request, string document, byte[] body)
    {
        var format = Format.Find(request.Format) ?? throw new RenderingFailedException($"“{request.Format}” is no format.");
        var ask = new FormatAsk(format, Quality.Parse(request.Quality, format));
        if (format == Format.Pdf)
        {
            // A PDF holds the letters that it shows as a font.
            var isOutlined = request.Fonts.Any(f => f.IsOutlinedOnly);
            return (request.IsDrawn ? Vectors.PdfAgain(body, request.Width, request.Height, request.PrintedAt, request.Credit, isOutlined)
                : isOutlined ? Vectors.Pdf(Encoding.UTF8.GetString(Vectors.Outlines(document, request.Width, request.Height, request.Margin)), request.Width, request.Height, 0, request.Credit)
                : Vectors.Pdf(document, request.Width, request.Height, request.Margin, request.Credit), null);
        }
        // Sizes that the exact engine drew are put together by whoever asked for them.
        if (format == Format.Ico)
        {
            var largest = (int)request.Width;
            return (IcoWriter.Write([.. IcoWriter.SidesOf(largest).Select(side =>
            {
                using var small = Canvas.Draw(document, side, side, request.Margin * side / largest);
                var rgba = small.ToRgba().ToArray();
                return (side, IcoWriter.Entry(side, largest, rgba, () => PngEncoder.Encode(rgba, side, side, Core.Rendering.Effort.Best)));
            })]), null);
        }
        var (width, height) = ((int)request.Width, (int)request.Height);
        using var canvas = request.IsDrawn ? Canvas.Average(body, width, height) : Canvas.Draw(document, width, height, request.Margin);
        if (request.Patch is { } patch)
        {
            return FileEncoder.Encode(PatchLines.Around(canvas.ToRgba(), width, height, patch), width + NinePatch.Border, height + NinePatch.Border, ask, request.Credit, request.PlainCredit, request.IsP3);
        }
        return FileEncoder.Encode(canvas.ToRgba(), width, height, ask, request.Credit, request.PlainCredit, request.IsP3);
    }

    private static Box? ToBox(Rsvg.Rectangle? rectangle) =>
        rectangle is { } r && double.IsFinite(r.X + r.Y + r.Width + r.Height) ? new(r.X, r.Y, r.Width, r.Height) : null;

    private static void Send(Stream output, Answer answer, byte[]? body = null) =>
        Frames.WriteAsync(output, answer, body ?? [], CancellationToken.None).GetAwaiter().GetResult();

    /// <summary>Ends a worker whose server was killed while it was busy inside native code.</summary>
    private static void WatchParent()
    {
        var parent = ProcessLimits.ParentId();
        new Thread(() =>
        {
            while (ProcessLimits.ParentId() == parent)
            {
                Thread.Sleep(ParentCheck);
            }
            Environment.Exit(1);
        })
        { IsBackground = true }.Start();
    }
}
