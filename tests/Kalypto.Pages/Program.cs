// Writes the screens of drawings as pages, for the comparison with what a browser shows of the drawings.
// usage: Kalypto.Pages FONTS OUT DRAWING ...
using System.Text;
using System.Text.Json;
using Kalypto.Application.Fonts;
using Kalypto.Application.Opening;
using Kalypto.Application.Pages;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Pages;
using Kalypto.Core.Reading;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Drafts;
using Kalypto.Drawing.Tests;
using Kalypto.Drawing.Workers;
using Kalypto.Pages;
using Kalypto.Store;

var (fonts, output) = (args[0], args[1]);
using var renderer = new WorkerRenderer(new WorkerOptions { Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"), Fonts = fonts });
var compose = new ComposePage(renderer, new WordFonts(renderer, new NoBlobs()));
var written = new List<object>();
var labelled = LabelledDrawings.Styles.Select(s => (Name: s.Name.Replace(' ', '-'), Bytes: Encoding.UTF8.GetBytes(new LabelledDrawings(s).Svg)))
    .Concat(Exports.All.Select(e => (Name: e.Key.Replace(' ', '-').Replace(",", "", StringComparison.Ordinal), Bytes: Encoding.UTF8.GetBytes(e.Value))));
foreach (var (name, bytes) in args.Skip(2).Select(file => (Path.GetFileNameWithoutExtension(file), File.ReadAllBytes(file))).Concat(args.Length > 2 ? [] : labelled))
{
    var drawing = SvgReader.Read(bytes, name);
    var measured = new MeasuredDrawing(drawing, await renderer.MeasureAsync(drawing, null, default));
    // A board is split as it is proposed.
    measured = drawing.Screens.Length == 1 && measured.Proposals is [var proposal, ..] ? measured.Arrange(new ScreenEdits(drawing, Arrangement.None).Split(proposal.Screens)) : measured;
    var open = new DesignState(1, name, 1, measured, new Dictionary<int, Mark>());
    // As a designer decides who takes what is suggested, and builds the rest in code.
    var design = open with { Marks = open.Suggested().Where(s => s.Together.IsEmpty).ToDictionary(s => s.Layer.Ordinal, s => new Mark(Decision.Ship, null, Tags.Empty with { Kind = s.Kind })) };
    var workspace = new Workspace(new(1, name, []), [(new DesignRow(1, 1, name, 1, 1, 1, "", ""), design)], [], new([(1, measured)]));
    await File.WriteAllBytesAsync(Path.Combine(output, $"{name}.svg"), bytes);
    var screens = measured.Drawing.Screens;
    foreach (var screen in screens)
    {
        await WriteAsync(await ComposeAsync(screen), screen, $"{name}-{screen.Root.Ordinal}", screens.Length == 1 ? name : $"{name}: {screen.Name}");
    }
    foreach (var (wide, narrow) in PagePairs.Of([.. screens.Select(s => (s.Name, s.Box.Width))]))
    {
        // One page, held against both drawings.
        var (page, less) = (await ComposeAsync(screens[wide]), await ComposeAsync(screens[narrow]));
        var together = page.With(less);
        var layers = page.Screen.Parts.Where(p => p.Values?.Text is not null).GroupBy(p => p.Values!.Text!.Words).ToDictionary(g => g.Key, g => g.First().Layer);
        await WriteAsync(together, screens[wide], $"{name}-together", $"{name}, wide");
        await WriteAsync(together with { Screen = less.Screen }, screens[narrow], $"{name}-together", $"{name}, narrow", together, layers);
    }

    async Task<ComposedPage> ComposeAsync(Screen screen) => (await compose.RunAsync(workspace, [], 1, screen.Root.Ordinal, null, default))!;

    async Task WriteAsync(ComposedPage page, Screen screen, string directory, string shown, ComposedPage? source = null, Dictionary<string, int>? layers = null)
    {
        var folder = Path.Combine(output, directory);
        foreach (var file in page.Files)
        {
            Directory.CreateDirectory(Path.GetDirectoryName(Path.Combine(folder, file.Path))!);
            if (file.Drawing is var (drawing, _))
            {
                await File.WriteAllBytesAsync(Path.Combine(folder, file.Path), drawing);
            }
            else if (file.Font is var (sha256, drawn) && renderer.FontFilesOf(drawn).First(f => f.Font.Sha256 == sha256).Path is var path)
            {
                File.Copy(path, Path.Combine(folder, file.Path), overwrite: true);
            }
        }
        Directory.CreateDirectory(folder);
        var whole = source ?? page;
        await File.WriteAllTextAsync(Path.Combine(folder, "index.html"), whole.Plain.HtmlText);
        await File.WriteAllTextAsync(Path.Combine(folder, "marked.html"), whole.Marked.HtmlText);
        await File.WriteAllTextAsync(Path.Combine(folder, "styles.css"), whole.Plain.CssText);
        written.Add(new
        {
            Drawing = $"{name}.svg",
            Folder = directory,
            Name = shown,
            screen.Box.X,
            screen.Box.Y,
            screen.Box.Width,
            screen.Box.Height,
            Layers = measured.LayersOf(screen).Count(l => !l.HiddenHere && !l.Guide),
            whole.Plain.Elements,
            whole.Plain.Positioned,
            Bytes = whole.Plain.HtmlText.Length + whole.Plain.CssText.Length,
            Lines = page.Screen.Parts.Where(p => p.Values?.Text is not null).SelectMany(p => p.Values!.Text!.Lines.Select(l => new
            {
                Layer = layers is null ? p.Layer : layers[p.Values.Text!.Words],
                l.Words,
                l.X,
                l.Baseline,
                l.Measure?.Width,
                Size = l.Runs.Max(r => r.Type.Size),
                p.Values.Text!.Anchor,
            })),
            Fonts = page.Fonts.Select(f => new { f.Family, f.Address, Weight = f.Font.IsVariable ? $"{f.Font.Lightest} {f.Font.Heaviest}" : $"{f.Font.Lightest}", f.Font.IsItalic }),
        });
    }
}
await File.WriteAllTextAsync(Path.Combine(output, "pages.json"), JsonSerializer.Serialize(written, JsonSerializerOptions.Web));
