// Draws every layer of a drawing alone, at 1x, 2x and 3x, for the comparison with a browser's pixels.
// usage: Kalypto.Fidelity DRAWING FONTS OUT [SCALE ...]
using System.Globalization;
using System.Text.Json;
using Kalypto.Core.Exporting;
using Kalypto.Core.Isolating;
using Kalypto.Core.Packing;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Drawing.Workers;

var (file, fonts, output) = (args[0], args[1], args[2]);
int[] scales = args.Length == 3 ? [1, 2, 3] : [.. args.Skip(3).Select(s => int.Parse(s, CultureInfo.InvariantCulture))];
using var renderer = new WorkerRenderer(new WorkerOptions { Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"), Fonts = fonts });
var drawing = SvgReader.Read(await File.ReadAllBytesAsync(file), "Drawing");
var shapes = await renderer.MeasureAsync(drawing, null, default);
var drawn = new List<object>();
await Parallel.ForEachAsync(drawing.Layers.Where(l => l.Parent is not null), async (layer, cancel) =>
{
    var isolation = Isolation.Of(drawing, layer);
    var look = shapes[layer.Ordinal] is { } shape ? await renderer.LookAsync(isolation, shape, isExact: false, cancel) : new Look(null, null);
    if (look.Ink is not { } ink || Crop.Of(new CropKind.Ink(), 0, shapes[layer.Ordinal], ink, drawing.Box) is not { Box: var crop })
    {
        return;
    }
    // The layer as it is cut out, and as it is written for people.
    await File.WriteAllTextAsync(Path.Combine(output, string.Create(CultureInfo.InvariantCulture, $"{layer.Ordinal}.raw.svg")), isolation.Document(crop, crop.Width, crop.Height), cancel);
    await File.WriteAllTextAsync(Path.Combine(output, string.Create(CultureInfo.InvariantCulture, $"{layer.Ordinal}.svg")), SvgExport.Of(isolation, crop, crop.Width, crop.Height), cancel);
    if (VectorDrawable.Of(isolation, crop, crop.Width, crop.Height).Text is { } vector)
    {
        await File.WriteAllTextAsync(Path.Combine(output, string.Create(CultureInfo.InvariantCulture, $"{layer.Ordinal}.xml")), vector, cancel);
    }
    foreach (var scale in scales)
    {
        var (width, height) = ((int)crop.Width * scale, (int)crop.Height * scale);
        var png = await renderer.DrawAsync(isolation.Document(crop, width, height), width, height, Effort.Quick, cancel);
        await File.WriteAllBytesAsync(Path.Combine(output, string.Create(CultureInfo.InvariantCulture, $"{layer.Ordinal}@{scale}.png")), png.Bytes!, cancel);
    }
    lock (drawn)
    {
        drawn.Add(new { layer.Ordinal, layer.Name, Content = layer.Content.ToString(), crop.X, crop.Y, crop.Width, crop.Height });
    }
});
await File.WriteAllTextAsync(Path.Combine(output, "layers.json"), JsonSerializer.Serialize(drawn, JsonSerializerOptions.Web));
