using System.Text;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;

namespace Kalypto.Drawing.Tests;

/// <summary>Small pictures of the quick engine show what every pixel covers, as a browser's do that is averaged; photos in them are left as they are.</summary>
public sealed class SmallPictureTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private const string InnerShadow = "<filter id='f' x='0' y='0' width='30' height='30' filterUnits='userSpaceOnUse' color-interpolation-filters='sRGB'><feFlood flood-opacity='0' result='B'/><feBlend in='SourceGraphic' in2='B' result='shape'/>"
        + "<feColorMatrix in='SourceAlpha' values='0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 127 0' result='hard'/><feOffset dy='2'/><feGaussianBlur stdDeviation='1'/><feComposite in2='hard' operator='arithmetic' k2='-1' k3='1'/>"
        + "<feColorMatrix values='0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 .6 0'/><feBlend in2='shape'/></filter>";

    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Theory]
    // Lines thinner than a pixel, nearly level ones first.
    [InlineData("<path d='M1 4.2L29 6.1M2 9.7L28 11.3M3 20L27 14.5M5 24Q15 20 26 27' fill='none' stroke='#10181d' stroke-width='.35'/>")]
    // Shapes that share their edges.
    [InlineData("<path d='M3.3 2.7L27.4 9.1L15.2 14.6z' fill='#c33'/><path d='M27.4 9.1L21.6 27.3L15.2 14.6z' fill='#36c'/><path d='M21.6 27.3L3.3 2.7L15.2 14.6z' fill='#3a6'/>")]
    [InlineData(InnerShadow + "<path d='M15 3.4L26.7 25.2H3.1z' fill='#e8b04a' filter='url(#f)'/>")]
    public async Task Thin_and_abutting_edges_are_as_in_a_browser(string inside)
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 30 30'><g id='x'>{inside}</g></svg>");
        exact.Add(file);
        var drawing = SvgReader.Read(file, "Drawing");
        var isolation = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x"));
        foreach (var scale in new[] { 1, 2, 3 })
        {
            var found = await exact.BesideABrowserAsync(isolation, new(0, 0, 30, 30), scale, cancel);
            Assert.True(found.Share <= 0.02, $"{found.Share:P1} ({found.Count} px) at {scale}x");
        }
    }

    [Fact]
    public async Task Pixels_of_a_photo_stay_as_they_are()
    {
        // Two by two pixels, black and white in turn.
        const string Checks = "iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAAAAABX3VL4AAAADElEQVR4nGNg+A+EAAYAAf+T0eSJAAAAAElFTkSuQmCC";
        var drawing = RendererFixture.Read($"<g id='x'><image width='2' height='2' href='data:image/png;base64,{Checks}'/></g>");
        var drawn = await exact.Renderer.PixelsAsync(Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x")).QuickScene(new(0, 0, 2, 2), 2, 2), 2, 2, cancel);
        Assert.All(drawn.Bytes!.Chunk(4), p => Assert.True(p[0] is 0 or 255 && p[3] == 255, string.Join(',', p)));
    }
}
