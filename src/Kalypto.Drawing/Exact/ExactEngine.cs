using System.Diagnostics;
using Kalypto.Core.Isolating;

namespace Kalypto.Drawing.Exact;

/// <summary>
/// Draws documents as a browser does, several times larger than asked so that they can be averaged down. One at a time, in a
/// browser that starts when it is first needed, is ended when it takes too long or too much memory, and rests when nobody asks.
/// </summary>
public sealed class ExactEngine : IDisposable
{
    private const int MostTimes = 4;
    private const long MostPixels = 24_000_000;

    // Of these three pictures are held at once, one of them at twice the size.
    private const long MostPixelsInP3 = 8_000_000;
    private const int LongestSide = 16_000;
    private static readonly TimeSpan Tick = TimeSpan.FromMilliseconds(200);
    // What a browser that only waits uses now and then.
    private static readonly TimeSpan Idle = TimeSpan.FromMilliseconds(50);
    private static readonly TimeSpan FirstStart = TimeSpan.FromMinutes(2);

    // From the closest to none, as for workers; the sandbox of the browser itself stays on, which root cannot have.
    private static readonly string[][] Ways =
    [
        ["unshare", "--net", "--", "setpriv", "--reuid=65534", "--regid=65534", "--clear-groups", "--"],
        ["unshare", "--user", "--map-current-user", "--net", "--"],
        ["setpriv", "--reuid=65534", "--regid=65534", "--clear-groups", "--"],
        [],
    ];

    private readonly ExactOptions options;
    private readonly Turns turns = new();
    private readonly Timer rest;
    private readonly Lock looking = new();
    private string? version;
    private long lookedAt;
    private Task again = Task.CompletedTask;
    private Browser? browser;
    private string[]? way;

    /// <summary>An engine; its browser starts when it is first needed.</summary>
    public ExactEngine(ExactOptions options)
    {
        this.options = options;
        ExactFolders.RemoveLeft();
        rest = new(_ => Rest());
    }

    /// <summary>The name and version of the browser; null when there is none on this machine, or it does not start here. Asked for the first time, it starts one; where that fails, it tries again after a minute.</summary>
    public string? Version
    {
        get
        {
            lock (looking)
            {
                if (version is null && lookedAt == 0)
                {
                    version = FindVersion();
                    lookedAt = Stopwatch.GetTimestamp();
                }
                else if (version is null && again.IsCompleted && Stopwatch.GetElapsedTime(lookedAt) > options.UntilAgain)
                {
                    // Nobody waits a second time.
                    again = Task.Run(LookAgain);
                }
                return version;
            }
        }
    }

    /// <summary>How many times larger than asked a picture is drawn.</summary>
    public static int TimesOf(int width, int height, bool isP3 = false)
    {
        var times = MostTimes;
        while (times > 1 && ((long)width * times * height * times > (isP3 ? MostPixelsInP3 : MostPixels) || Math.Max(width, height) * times > LongestSide))
        {
            times--;
        }
        return times;
    }

    /// <summary>Draws a document.</summary>
    /// <param name="svg">The document; treated as hostile.</param>
    /// <param name="fonts">The fonts of the project that it asks for.</param>
    /// <param name="window">The size of the window that it is laid out in.</param>
    /// <param name="width">The width of the picture in px.</param>
    /// <param name="height">The height of the picture in px.</param>
    /// <param name="isP3">True for pixels in Display P3 instead of sRGB.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>A PNG that is <see cref="TimesOf"/> times larger, or why there is none. In Display P3 there is a second picture below, which knows colours that the first lost.</returns>
    internal Task<(byte[]? Png, EngineFailure? Failure)> DrawAsync(string svg, IReadOnlyList<FontFace> fonts, WindowLayout window, int width, int height, bool isP3, CancellationToken cancel) =>
        AskAsync((browser, limit) => (width * TimesOf(width, height, isP3), height * TimesOf(width, height, isP3)) is var pixels && isP3 ? browser.DrawInP3Async(svg, fonts, window, pixels, limit)
            : browser.DrawAsync(svg, fonts, window, pixels, limit), cancel);

    /// <summary>Prints a document.</summary>
    /// <param name="svg">The document; treated as hostile.</param>
    /// <param name="fonts">The fonts of the project that it asks for.</param>
    /// <param name="window">The size of the window that it is laid out in; a px of it is a pt of the page.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>A PDF of one page, which reaches a little beyond the document to the right and below, or why there is none.</returns>
    internal Task<(byte[]? Pdf, EngineFailure? Failure)> PrintAsync(string svg, IReadOnlyList<FontFace> fonts, WindowLayout window, CancellationToken cancel) =>
        AskAsync((browser, limit) => browser.PrintAsync(svg, fonts, window, limit), cancel);

    /// <summary>Writes a document anew with all that style sheets, units and selectors come to said at its elements.</summary>
    /// <param name="svg">The document; treated as hostile.</param>
    /// <param name="fonts">The fonts of the project that it asks for.</param>
    /// <param name="window">The size of the window that it is laid out in.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>SVG, to be treated as hostile like the document itself; empty for one that holds what SVG has no words for; or why there is none.</returns>
    internal Task<(byte[]? Svg, EngineFailure? Failure)> ResolveAsync(string svg, IReadOnlyList<FontFace> fonts, WindowLayout window, CancellationToken cancel) =>
        AskAsync((browser, limit) => browser.ResolveAsync(svg, fonts, window, limit), cancel);

    private async Task<(byte[]? Made, EngineFailure? Failure)> AskAsync(Func<Browser, CancellationToken, Task<byte[]>> make, CancellationToken cancel)
    {
        if (Version is null)
        {
            return (null, new("There is no exact engine on this machine.", IsTime: false));
        }
        var turn = Turn.Current;
        await turns.WaitAsync(turn, cancel);
        try
        {
            rest.Change(Timeout.Infinite, Timeout.Infinite);
            using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
            var watch = Task.CompletedTask;
            var isTooLarge = false;
            try
            {
                browser ??= await StartAsync(limit.Token);
                watch = WatchAsync(browser.Id, () => isTooLarge = true, limit);
                return (await make(browser, limit.Token), null);
            }
            catch (OperationCanceledException)
            {
                End();
                cancel.ThrowIfCancellationRequested();
                turns.MarkSlow(turn);
                return (null, isTooLarge ? new("It takes more memory than the exact engine may have.", IsTime: false)
                    : new($"It takes longer than {options.TimeLimit.TotalSeconds:0} seconds to draw exactly.", IsTime: true));
            }
            catch (Exception e) when (e is IOException or InvalidOperationException or FormatException or NullReferenceException or RenderingFailedException)
            {
                End();
                return (null, new($"It crashed the exact engine: {e.Message.TrimEnd('.')}.", IsTime: false));
            }
            finally
            {
                await limit.CancelAsync();
                await watch;
            }
        }
        finally
        {
            rest.Change(options.Idle, Timeout.InfiniteTimeSpan);
            turns.Release();
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        rest.Dispose();
        End();
    }

    private async Task<Browser> StartAsync(CancellationToken cancel)
    {
        // Root has rights that the sandbox refuses to be started with.
        foreach (var candidate in way is not null ? [way] : Ways.Where(w => w.Length > 0 || Environment.UserName != "root"))
        {
            try
            {
                var started = await Browser.StartAsync(options, candidate, cancel);
                way = candidate;
                return started;
            }
            catch (Exception e) when (e is IOException or System.ComponentModel.Win32Exception && way is null)
            {
                // This machine does not allow it; the next way asks for less.
            }
        }
        throw new IOException("the browser does not start on this machine");
    }

    // Counted in the time of the processors, so that a busy machine fails nothing.
    private async Task WatchAsync(int id, Action tooLarge, CancellationTokenSource limit)
    {
        var began = ProcessFamily.Of(id).Worked;
        var (worked, since) = (began, Stopwatch.GetTimestamp());
        while (!limit.IsCancellationRequested)
        {
            await Task.WhenAny(Task.Delay(Tick, limit.Token));
            if (limit.IsCancellationRequested)
            {
                return;
            }
            var (now, memory) = ProcessFamily.Of(id);
            if (now - worked > Idle)
            {
                (worked, since) = (now, Stopwatch.GetTimestamp());
            }
            if (memory > options.Memory)
            {
                tooLarge();
                await limit.CancelAsync();
            }
            else if (now - began > options.TimeLimit || Stopwatch.GetElapsedTime(since) > EngineLimits.MostIdle)
            {
                await limit.CancelAsync();
            }
        }
    }

    private void Rest()
    {
        if (turns.TryTake())
        {
            try
            {
                End();
            }
            finally
            {
                turns.Release();
            }
        }
    }

    private void End()
    {
        browser?.Dispose();
        browser = null;
    }

    private void LookAgain()
    {
        var found = FindVersion();
        lock (looking)
        {
            (version, lookedAt) = (found, Stopwatch.GetTimestamp());
        }
    }

    private string? FindVersion()
    {
        try
        {
            if (!File.Exists(options.Browser))
            {
                return null;
            }
            using var process = Process.Start(new ProcessStartInfo(options.Browser, ["--version"]) { RedirectStandardOutput = true, RedirectStandardError = true, UseShellExecute = false });
            var said = process!.StandardOutput.ReadToEnd();
            process.WaitForExit();
            if (process.ExitCode != 0 || said.Trim() is not { Length: > 0 } name)
            {
                return null;
            }
            // One that cannot be started as it must be is none: the quick engine draws all, and findings say so.
            using var limit = new CancellationTokenSource(FirstStart);
            browser ??= Task.Run(() => StartAsync(limit.Token)).GetAwaiter().GetResult();
            rest.Change(options.Idle, Timeout.InfiniteTimeSpan);
            return name;
        }
        catch (Exception e) when (e is IOException or System.ComponentModel.Win32Exception or InvalidOperationException or OperationCanceledException)
        {
            return null;
        }
    }
}
