using System.Globalization;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Packing;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Drawing;
using Kalypto.Drawing.Encoders;

namespace Kalypto.Bench;

/// <summary>The time that nothing but drawing and encoding takes for PNG files, one after the other, each compressed once more as builds do. A layer is drawn once more to see where its ink is.</summary>
internal static class Pure
{
    /// <summary>Prints the seconds of looking, of drawing, of encoding, and how many files there were.</summary>
    /// <param name="demo">The folder of the demo.</param>
    /// <param name="list">A file with a line a picture file: the drawing, the ordinal of the layer, the scale.</param>
    public static async Task RunAsync(string demo, string list)
    {
        using var renderer = Building.Renderer(demo, 2);
        var (looks, draws, encodes, files) = (0.0, 0.0, 0.0, 0);
        foreach (var drawingLines in (await File.ReadAllLinesAsync(list)).Select(l => l.Split(' ')).GroupBy(l => l[0]))
        {
            var drawing = SvgReader.Read(await File.ReadAllBytesAsync(Path.Combine(demo, drawingLines.Key)), "Drawing");
            var shapes = await renderer.MeasureAsync(drawing, null, default);
            foreach (var scales in drawingLines.GroupBy(l => int.Parse(l[1], CultureInfo.InvariantCulture), l => new Scale(double.Parse(l[2], CultureInfo.InvariantCulture))))
            {
                var isolation = Isolation.Of(drawing, drawing.Layers[scales.Key]);
                Look? look = null;
                looks += await Report.SecondsAsync(async () => look = await renderer.LookAsync(isolation, shapes[scales.Key]!.Value, isExact: false, default));
                var crop = Crop.Of(new CropKind.Ink(), 0, shapes[scales.Key], look!.Ink, drawing.Box)!.Box;
                foreach (var scale in scales)
                {
                    var (width, height) = (scale.Pixels(crop.Width), scale.Pixels(crop.Height));
                    var document = isolation.Document(crop, width, height);
                    Canvas? canvas = null;
                    draws += Report.Seconds(() => canvas = Canvas.Draw(document, width, height));
                    using (canvas)
                    {
                        var png = Array.Empty<byte>();
                        encodes += Report.Seconds(() => png = PngEncoder.Encode(canvas!.ToRgba(), width, height, Effort.Best));
                        encodes += await Report.SecondsAsync(async () => await renderer.SmallerAsync(png, default));
                    }
                    files++;
                }
            }
        }
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{looks:0.000} {draws:0.000} {encodes:0.000} {files}"));
    }
}
