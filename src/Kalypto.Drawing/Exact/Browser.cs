using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Kalypto.Core.Isolating;

namespace Kalypto.Drawing.Exact;

/// <summary>
/// One browser process with one page in it, which draws one document at a time. It has no network, a profile that is thrown away,
/// its own sandbox on, and answers to what a page asks for are made here: the document, and nothing else.
/// </summary>
internal sealed class Browser : IDisposable
{
    private static readonly string[] Flags =
    [
        "--headless", "--disable-gpu", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync", "--disable-quic", "--disable-extensions",
        "--disable-default-apps", "--disable-breakpad", "--hide-scrollbars", "--font-render-hinting=none", "--force-color-profile=srgb", "--disable-dev-shm-usage", "--mute-audio",
        "--host-resolver-rules=MAP * ~NOTFOUND", "--js-flags=--jitless", "--remote-debugging-pipe",
        // Nobody goes back to what was drawn before, and it holds memory; of itself a browser paints on one of two processors.
        "--disable-features=BackForwardCache", $"--num-raster-threads={Math.Clamp(Environment.ProcessorCount, 1, 4)}",
    ];

    // The pipe of the protocol is read from descriptor 3 and written to 4.
    private const string Pipes = "exec \"$@\" 3<&0 4>&1 0</dev/null 1>/dev/null";
    private const double PointsInInch = 72;
    private const double PixelsInInch = 96;
    private const double Beyond = 16;
    // Printing spares ink otherwise: shadows of text are left out.
    private const string AsOnScreens = "*{print-color-adjust:exact!important}";
    private const string Address = "http://drawing.invalid/";
    // What is laid out anew with a font that came may ask for another one.
    private const string FontsAreThere = """
        (async () => {
          do {
            document.documentElement.getBoundingClientRect();
            await document.fonts.ready;
            document.documentElement.getBoundingClientRect();
          } while (document.fonts.status !== 'loaded');
          return 0;
        })()
        """;
    private const string Nothing = "<svg xmlns=\"http://www.w3.org/2000/svg\"></svg>";
    // A canvas in Display P3 alone would take what filters and blends are told for numbers of Display P3.
    private const string InP3 = """
        async (svg, width, height, density) => {
          const make = (name, properties) => Object.assign(document.createElementNS('http://www.w3.org/1999/xhtml', name), properties);
          const image = make('img', { src: `data:image/svg+xml;base64,${svg}` });
          await image.decode();
          const draw = (context, top) => {
            context.setTransform(density, 0, 0, density, 0, top);
            context.drawImage(image, 0, 0);
            context.resetTransform();
          };
          const sheet = make('canvas', { width, height: 2 * height });
          const inP3 = sheet.getContext('2d', { colorSpace: 'display-p3', willReadFrequently: true });
          const beyond = make('canvas', { width, height });
          draw(beyond.getContext('2d', { colorSpace: 'srgb', colorType: 'float16', willReadFrequently: true }), 0);
          inP3.drawImage(beyond, 0, 0);
          inP3.beginPath();
          inP3.rect(0, height, width, height);
          inP3.clip();
          draw(inP3, height);
          return sheet.toDataURL('image/png').split(',')[1];
        }
        """;
    private static readonly Lazy<string> Resolve = new(() =>
    {
        using var reader = new StreamReader(typeof(Browser).Assembly.GetManifestResourceStream("resolved.js")!);
        return reader.ReadToEnd();
    });
    private readonly Process process;
    private readonly string home;
    private readonly DevTools tools;
    private string session = "";
    private int number;
    private TaskCompletionSource loaded = New();
    private byte[] document = [];
    private IReadOnlyList<FontFace> fonts = [];

    private Browser(Process process, string home)
    {
        (this.process, this.home) = (process, home);
        tools = new(process.StandardInput.BaseStream, process.StandardOutput.BaseStream) { Reported = Take };
        // Not read, the browser would wait for somebody to read its warnings.
        process.ErrorDataReceived += static (_, _) => { };
        process.BeginErrorReadLine();
    }

    /// <summary>The process.</summary>
    public int Id => process.Id;

    /// <summary>Starts a browser.</summary>
    /// <exception cref="IOException">It did not start.</exception>
    public static async Task<Browser> StartAsync(ExactOptions options, string[] jail, CancellationToken cancel)
    {
        var home = ExactFolders.Create();
        var fonts = Path.Combine(home, "fonts.conf");
        await File.WriteAllTextAsync(fonts, FontFolders.Configuration(options.Fonts, Path.Combine(home, "cache")), cancel);
        ExactFolders.HandOver(home, jail);
        string[] command = [.. jail, "sh", "-c", Pipes, "sh", options.Browser, .. Flags, $"--user-data-dir={home}/profile"];
        var start = new ProcessStartInfo(command[0], command[1..]) { RedirectStandardInput = true, RedirectStandardOutput = true, RedirectStandardError = true, UseShellExecute = false };
        PlainEnvironment.Set(start);
        foreach (var (name, value) in new[] { ("HOME", home), ("XDG_CONFIG_HOME", home), ("XDG_CACHE_HOME", home), ("FONTCONFIG_FILE", fonts), ("TZ", "UTC"), ("LANG", "C.UTF-8"), ("TMPDIR", home) })
        {
            start.Environment[name] = value;
        }
        var browser = new Browser(Process.Start(start) ?? throw new IOException($"{options.Browser} did not start."), home);
        try
        {
            browser.process.PriorityClass = ProcessPriorityClass.BelowNormal;
            await browser.OpenAsync(cancel);
            return browser;
        }
        catch
        {
            browser.Dispose();
            throw;
        }
    }

    /// <summary>Draws a document.</summary>
    /// <param name="svg">The document.</param>
    /// <param name="fonts">The fonts of the project that it asks for.</param>
    /// <param name="window">The size of the window that it is laid out in.</param>
    /// <param name="pixels">The size of the picture in px.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>A PNG of that size, with alpha.</returns>
    public async Task<byte[]> DrawAsync(string svg, IReadOnlyList<FontFace> fonts, WindowLayout window, (int Width, int Height) pixels, CancellationToken cancel)
    {
        var density = pixels.Width / window.ShownWide;
        await LoadAsync(svg, fonts, window, density, "", cancel);
        var shot = await AskAsync("Page.captureScreenshot", new()
        {
            ["format"] = "png",
            ["optimizeForSpeed"] = true,
            ["captureBeyondViewport"] = false,
            ["clip"] = new JsonObject { ["x"] = 0, ["y"] = 0, ["width"] = pixels.Width / density, ["height"] = pixels.Height / density, ["scale"] = 1 },
        }, cancel);
        return Convert.FromBase64String(shot["data"]!.GetValue<string>());
    }

    /// <summary>
    /// Draws a document with its colours beyond sRGB. A picture of the window is one in sRGB, whatever screen is asked for; a canvas
    /// of numbers that may lie beyond 0 and 1 keeps them, and paints a picture of shapes as finely as its own pixels are. Photos and
    /// filters lose them there all the same, so that all is drawn once more, on a canvas in Display P3.
    /// </summary>
    /// <param name="svg">The document.</param>
    /// <param name="fonts">The fonts of the project that it asks for.</param>
    /// <param name="window">The size of the window that it is laid out in.</param>
    /// <param name="pixels">The size of the picture in px.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>A PNG of that width and twice that height, with alpha, in Display P3: both pictures, the second below.</returns>
    public async Task<byte[]> DrawInP3Async(string svg, IReadOnlyList<FontFace> fonts, WindowLayout window, (int Width, int Height) pixels, CancellationToken cancel)
    {
        await LoadAsync(Nothing, [], window, 1, "", cancel);
        // A picture loads nothing, so it brings its fonts along.
        var picture = Convert.ToBase64String(Encoding.UTF8.GetBytes(FontFace.AddTo(svg, fonts, null)));
        var density = (pixels.Width / window.ShownWide).ToString(CultureInfo.InvariantCulture);
        return Convert.FromBase64String(await EvaluateAsync($"({InP3})('{picture}', {pixels.Width}, {pixels.Height}, {density})", "does not draw it in Display P3", cancel));
    }

    /// <summary>Prints a document.</summary>
    /// <param name="svg">The document.</param>
    /// <param name="fonts">The fonts of the project that it asks for.</param>
    /// <param name="window">The size of the window that it is laid out in; a px of it is a pt of the page.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>A PDF of one page, without a ground, whose paper reaches a little beyond the document to the right and below.</returns>
    public async Task<byte[]> PrintAsync(string svg, IReadOnlyList<FontFace> fonts, WindowLayout window, CancellationToken cancel)
    {
        await LoadAsync(svg, fonts, window, 1, AsOnScreens, cancel);
        var printed = await AskAsync("Page.printToPDF", new()
        {
            ["printBackground"] = true,
            // A drawing that fills its paper is shrunk by parts of a thousandth to fit.
            ["paperWidth"] = (window.Wide + Beyond) / PointsInInch,
            ["paperHeight"] = (window.Tall + Beyond) / PointsInInch,
            ["marginTop"] = 0,
            ["marginBottom"] = 0,
            ["marginLeft"] = 0,
            ["marginRight"] = 0,
            ["scale"] = PixelsInInch / PointsInInch,
            ["pageRanges"] = "1",
        }, cancel);
        return Convert.FromBase64String(printed["data"]!.GetValue<string>());
    }

    /// <summary>Writes a document anew with all that style sheets, units and selectors come to said at its elements.</summary>
    /// <param name="svg">The document.</param>
    /// <param name="fonts">The fonts of the project that it asks for.</param>
    /// <param name="window">The size of the window that it is laid out in.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>The document; empty for one that holds what SVG has no words for.</returns>
    public async Task<byte[]> ResolveAsync(string svg, IReadOnlyList<FontFace> fonts, WindowLayout window, CancellationToken cancel)
    {
        await LoadAsync(svg, fonts, window, 1, "", cancel);
        return Encoding.UTF8.GetBytes(await EvaluateAsync(Resolve.Value, "cannot say what holds in it", cancel));
    }

    public void Dispose()
    {
        try
        {
            process.Kill(entireProcessTree: true);
            process.WaitForExit();
        }
        catch (Exception e) when (e is InvalidOperationException or System.ComponentModel.Win32Exception)
        {
            // It has ended by itself.
        }
        process.Dispose();
        tools.Dispose();
        ExactFolders.Remove(home);
    }

    private static TaskCompletionSource New() => new(TaskCreationOptions.RunContinuationsAsynchronously);

    private async Task OpenAsync(CancellationToken cancel)
    {
        var target = await tools.AskAsync("Target.createTarget", new() { ["url"] = "about:blank" }, null, cancel);
        var attached = await tools.AskAsync("Target.attachToTarget", new() { ["targetId"] = target["targetId"]!.GetValue<string>(), ["flatten"] = true }, null, cancel);
        session = attached["sessionId"]!.GetValue<string>();
        await AskAsync("Page.enable", [], cancel);
        await AskAsync("Emulation.setScriptExecutionDisabled", new() { ["value"] = true }, cancel);
        await AskAsync("Fetch.enable", new() { ["patterns"] = new JsonArray(new JsonObject { ["urlPattern"] = "*" }) }, cancel);
        await AskAsync("Emulation.setDefaultBackgroundColorOverride", new() { ["color"] = new JsonObject { ["r"] = 0, ["g"] = 0, ["b"] = 0, ["a"] = 0 } }, cancel);
    }

    private async Task LoadAsync(string drawing, IReadOnlyList<FontFace> fonts, WindowLayout window, double density, string rules, CancellationToken cancel)
    {
        await AskAsync("Emulation.setDeviceMetricsOverride", new() { ["width"] = window.Wide, ["height"] = window.Tall, ["deviceScaleFactor"] = density, ["mobile"] = false }, cancel);
        this.fonts = fonts;
        var svg = FontFace.AddTo(drawing, fonts, Address, rules);
        (document, loaded) = (Encoding.UTF8.GetBytes(svg), New());
        number++;
        var went = await AskAsync("Page.navigate", new() { ["url"] = Current }, cancel);
        if (went["errorText"] is { } error)
        {
            throw new RenderingFailedException($"The exact engine cannot read it: {error}.");
        }
        await Task.WhenAny(loaded.Task, tools.Listening).WaitAsync(cancel);
        // Fonts are asked for when text is laid out, which may be after the drawing is loaded.
        if (svg.Contains("@font-face", StringComparison.OrdinalIgnoreCase))
        {
            await AskAsync("Runtime.evaluate", new() { ["expression"] = FontsAreThere, ["awaitPromise"] = true }, cancel);
        }
    }

    private async Task<string> EvaluateAsync(string expression, string fails, CancellationToken cancel)
    {
        var answer = await AskAsync("Runtime.evaluate", new() { ["expression"] = expression, ["awaitPromise"] = true, ["returnByValue"] = true }, cancel);
        return answer["exceptionDetails"] is { } error ? throw new RenderingFailedException($"The exact engine {fails}: {error["exception"]?["description"] ?? error["text"]}.")
            : answer["result"]!["value"]!.GetValue<string>();
    }

    private string Current => string.Create(CultureInfo.InvariantCulture, $"{Address}{number}.svg");

    private Task<JsonObject> AskAsync(string method, JsonObject parameters, CancellationToken cancel) => tools.AskAsync(method, parameters, session, cancel);

    private void Take(string method, JsonObject what)
    {
        if (method == "Page.loadEventFired")
        {
            loaded.TrySetResult();
        }
        else if (method == "Fetch.requestPaused")
        {
            _ = AnswerAsync(what["requestId"]!.GetValue<string>(), what["request"]?["url"]?.GetValue<string>() ?? "");
        }
    }

    private async Task AnswerAsync(string request, string address)
    {
        try
        {
            var font = fonts.FirstOrDefault(f => f.AddressAt(Address) == address);
            await (address == Current || font is not null
                ? AskAsync("Fetch.fulfillRequest", new()
                {
                    ["requestId"] = request,
                    ["responseCode"] = 200,
                    ["responseHeaders"] = new JsonArray(
                        new JsonObject { ["name"] = "Content-Type", ["value"] = font is null ? "image/svg+xml; charset=utf-8" : "font/sfnt" },
                        // The document has an origin of its own, for it is in a sandbox.
                        new JsonObject { ["name"] = "Access-Control-Allow-Origin", ["value"] = "*" },
                        new JsonObject { ["name"] = "Content-Security-Policy", ["value"] = $"default-src 'none'; img-src data:; font-src data: {Address}; style-src 'unsafe-inline'; sandbox" }),
                    ["body"] = Convert.ToBase64String(font?.File ?? document),
                }, default)
                : AskAsync("Fetch.failRequest", new() { ["requestId"] = request, ["errorReason"] = "BlockedByClient" }, default));
        }
        catch (IOException)
        {
            // The browser ended, or gave the request up itself.
        }
    }
}
