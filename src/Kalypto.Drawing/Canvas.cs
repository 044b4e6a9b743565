using Kalypto.Core.Designs;
using Kalypto.Drawing.Encoders;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>Draws a document into pixels.</summary>
public sealed class Canvas : IDisposable
{
    // Of what is fainter the colour is lost in rounding; what covers more than this lets nothing through that is seen.
    private const int Seen = 100;
    private const int Full = 250;
    private const int SameColour = 3;

    // A small picture is drawn this many times larger and averaged, as long as that has no more pixels than these: the edges of thin
    // and abutting shapes show what they cover, and it takes a few milliseconds.
    private const int MostTimes = 4;
    private const int PixelsOfTimes = 300_000;

    /// <summary>The longest side that cairo can draw, in px.</summary>
    public const int LongestSide = 32_767;

    /// <summary>The most pixels of one picture.</summary>
    public const int MostPixels = 64_000_000;

    private readonly Cairo.Surface surface;

    private Canvas(Cairo.Surface surface) => this.surface = surface;

    /// <summary>Width in px.</summary>
    public int Width => surface.Width;

    /// <summary>Height in px.</summary>
    public int Height => surface.Height;

    /// <summary>Draws a document.</summary>
    /// <param name="document">The document.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <param name="margin">px that the document shows more on each side; they are cut off.</param>
    /// <param name="isLook">True where only it matters where ink is: nothing is averaged.</param>
    /// <exception cref="RenderingFailedException">The renderer cannot draw it, or it is too large.</exception>
    public static Canvas Draw(string document, int width, int height, double margin = 0, bool isLook = false) => Make(width, height, surface =>
    {
        using var handle = new Rsvg.Handle(PlainPictures.In(document));
        var times = isLook ? 1 : TimesOf(document, width + 2 * margin, height + 2 * margin);
        if (times == 1)
        {
            using var context = new Cairo.Context(surface);
            handle.Render(context, width, height, margin);
            return;
        }
        using var larger = new Cairo.Surface(width * times, height * times);
        using (var context = new Cairo.Context(larger))
        {
            handle.Render(context, width * times, height * times, margin * times);
        }
        Averaged.Into(larger, surface, times);
    });

    // Pixels that are there already would be mixed with those beside them.
    private static int TimesOf(string document, double width, double height) => document.Contains("<image", StringComparison.Ordinal) ? 1
        : Math.Clamp((int)Math.Sqrt(PixelsOfTimes / (width * height)), 1, MostTimes);

    /// <summary>Takes a picture that was drawn elsewhere, a whole number of times larger.</summary>
    /// <exception cref="RenderingFailedException">It is no such picture, or it is too large.</exception>
    public static Canvas Average(byte[] png, int width, int height) => Make(width, height, surface => Averaged.Into(png, surface));

    private static Canvas Make(int width, int height, Action<Cairo.Surface> draw)
    {
        if (IsTooLarge(width, height))
        {
            throw new RenderingFailedException($"A picture of {width} x {height} px is larger than can be drawn.");
        }
        var surface = new Cairo.Surface(width, height);
        try
        {
            draw(surface);
            return new(surface);
        }
        catch
        {
            surface.Dispose();
            throw;
        }
    }

    /// <summary>True for a picture that cannot be drawn for its size.</summary>
    public static bool IsTooLarge(int width, int height) => width < 1 || height < 1 || width > LongestSide || height > LongestSide || (long)width * height > MostPixels;

    /// <summary>The smallest box with every pixel that is not fully transparent, in px; null when all are.</summary>
    public Box? Ink()
    {
        var pixels = surface.Pixels();
        var stride = surface.Stride;
        int left = Width, right = -1, top = -1, bottom = -1;
        for (var y = 0; y < Height; y++)
        {
            var row = pixels.Slice(y * stride, Width * 4);
            if (row.IndexOfAnyExcept((byte)0) < 0)
            {
                continue;
            }
            top = top < 0 ? y : top;
            bottom = y;
            for (var x = 0; x < left; x++)
            {
                if (row[x * 4 + 3] != 0)
                {
                    left = x;
                }
            }
            for (var x = Width - 1; x > right; x--)
            {
                if (row[x * 4 + 3] != 0)
                {
                    right = x;
                }
            }
        }
        return right < 0 ? null : new Box(left, top, right - left + 1, bottom - top + 1);
    }

    /// <summary>The one colour that all ink has, and whether nothing shows through within it. Edges are left out: they are mixed with what is around.</summary>
    public (string? Colour, bool IsFull) Paint(Box ink)
    {
        var pixels = surface.Pixels();
        var inside = ink.Inflate(-1);
        if (inside.IsEmpty)
        {
            inside = ink;
        }
        (int Red, int Green, int Blue)? colour = null;
        var isFull = true;
        for (var y = (int)inside.Y; y < inside.Bottom; y++)
        {
            var row = pixels.Slice(y * surface.Stride + (int)inside.X * 4, (int)inside.Width * 4);
            for (var i = 0; i < row.Length; i += 4)
            {
                int alpha = row[i + 3];
                isFull &= alpha >= Full;
                if (alpha < Seen)
                {
                    continue;
                }
                // Premultiplied, blue first.
                var here = (Red: row[i + 2] * 255 / alpha, Green: row[i + 1] * 255 / alpha, Blue: row[i] * 255 / alpha);
                colour ??= here;
                if (Math.Max(Math.Abs(here.Red - colour.Value.Red), Math.Max(Math.Abs(here.Green - colour.Value.Green), Math.Abs(here.Blue - colour.Value.Blue))) > SameColour)
                {
                    return (null, false);
                }
            }
        }
        return colour is var (red, green, blue) ? ($"#{red:x2}{green:x2}{blue:x2}", isFull) : (null, false);
    }

    /// <summary>
    /// The pixels as RGBA, not premultiplied, rows without gaps. The canvas's own memory is reused: call once, as the last.
    /// </summary>
    public Span<byte> ToRgba()
    {
        var pixels = surface.Pixels();
        // ARGB32 has rows of width * 4 bytes, which is aligned already.
        for (var i = 0; i + 3 < pixels.Length; i += 4)
        {
            int b = pixels[i], g = pixels[i + 1], r = pixels[i + 2], a = pixels[i + 3];
            if (a is not 0 and not 255)
            {
                var half = a / 2;
                r = Math.Min(255, (r * 255 + half) / a);
                g = Math.Min(255, (g * 255 + half) / a);
                b = Math.Min(255, (b * 255 + half) / a);
            }
            pixels[i] = (byte)r;
            pixels[i + 1] = (byte)g;
            pixels[i + 2] = (byte)b;
        }
        return pixels;
    }

    /// <inheritdoc/>
    public void Dispose() => surface.Dispose();
}
