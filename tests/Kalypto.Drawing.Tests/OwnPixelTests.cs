using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Encoders;

namespace Kalypto.Drawing.Tests;

/// <summary>A photo that ships at the scale of its own pixels ships just those: nothing is scaled on the way.</summary>
public sealed class OwnPixelTests(RendererFixture fixture)
{
    private const int Wide = 60;
    private const int Tall = 40;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    // Noise, of which any scaling shows.
    private static readonly byte[] Noise = [.. Enumerable.Range(0, Wide * Tall * 4).Select(i => i % 4 == 3 ? (byte)255 : (byte)(i * 2654435761 >> 13))];

    [Theory]
    [InlineData("<image id='x' x='10' y='12' width='30' height='20' href='@'/>")]
    [InlineData("<g id='x' transform='translate(10 12)scale(.5)'><image width='60' height='40' href='@'/></g>")]
    [InlineData("<pattern id='p' patternContentUnits='objectBoundingBox' width='1' height='1'><use href='#i' transform='scale(.0166666666667 .025)'/></pattern><image id='i' width='60' height='40' href='@'/><rect id='x' x='10' y='12' width='30' height='20' fill='url(#p)'/>")]
    [InlineData("<clipPath id='c'><rect x='10' y='12' width='30' height='20'/></clipPath><g id='x' clip-path='url(#c)'><image x='10' y='12' width='30' height='20' preserveAspectRatio='xMidYMid slice' href='@'/></g>")]
    public async Task At_its_own_scale_a_photo_comes_out_pixel_by_pixel(string inside)
    {
        var photo = "data:image/png;base64," + Convert.ToBase64String(PngEncoder.Encode(Noise, Wide, Tall, Effort.Quick));
        var drawing = SvgReader.Read(System.Text.Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'>{inside.Replace("@", photo, StringComparison.Ordinal)}</svg>"), "Drawing");
        var scene = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x")).Scene(new(10, 12, 30, 20), Wide, Tall);
        var drawn = await fixture.Renderer.PixelsAsync(scene, Wide, Tall, cancel);
        var worst = drawn.Bytes!.Zip(Noise, (a, b) => Math.Abs(a - b)).Max();
        Assert.True(worst <= 1, $"A pixel is {worst} off");
    }
}
