using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Workers;

[assembly: AssemblyFixture(typeof(Kalypto.Drawing.Tests.RendererFixture))]

namespace Kalypto.Drawing.Tests;

/// <summary>A renderer with real worker processes, and short ways to use it.</summary>
public sealed class RendererFixture : IDisposable
{
    public WorkerRenderer Renderer { get; } = Make(TimeSpan.FromSeconds(60));

    public static WorkerRenderer Make(TimeSpan limit) => new(new WorkerOptions
    {
        Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"),
        Fonts = Path.Combine(AppContext.BaseDirectory, "fonts"),
        TimeLimit = limit,
    });

    public static DrawingTree Read(string inside) =>
        SvgReader.Read(Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'>{inside}</svg>"), "Drawing");

    /// <summary>Draws a layer, 1 px a unit, and gives the RGBA of single pixels.</summary>
    public async Task<Func<int, int, (int R, int G, int B, int A)>> DrawAsync(DrawingTree drawing, string layer)
    {
        var document = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == layer)).Document(drawing.Box, 100, 100);
        var drawn = await Renderer.DrawAsync(document, 100, 100, Effort.Quick, TestContext.Current.CancellationToken);
        Assert.Null(drawn.Failure);
        var (_, _, rgba) = PngReader.Read(drawn.Bytes!);
        return (x, y) => (rgba[(y * 100 + x) * 4], rgba[(y * 100 + x) * 4 + 1], rgba[(y * 100 + x) * 4 + 2], rgba[(y * 100 + x) * 4 + 3]);
    }

    public void Dispose() => Renderer.Dispose();
}
