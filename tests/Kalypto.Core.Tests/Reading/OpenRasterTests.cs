using System.IO.Compression;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Tests.Reading;

public class OpenRasterTests
{
    // One pixel.
    private static readonly byte[] Pixel = Convert.FromBase64String("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");

    private static byte[] Ora(string stack, params (string Name, byte[] Bytes)[] files)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, bytes) in new[] { ("mimetype", "image/openraster"u8.ToArray()), ("stack.xml", Encoding.UTF8.GetBytes(stack)) }.Concat(files))
            {
                using var entry = zip.CreateEntry(name, CompressionLevel.NoCompression).Open();
                entry.Write(bytes);
            }
        }
        return stream.ToArray();
    }

    private static DrawingTree Read(string inside, string size = "w='40' h='30'") =>
        DrawingReader.Read(Ora($"<image version='0.0.3' {size}><stack>{inside}</stack></image>", ("data/a.png", Pixel)), "Card");

    [Fact]
    public void Stacks_become_groups_with_the_first_child_on_top()
    {
        var drawing = Read("""
            <layer name='top' src='data/a.png' x='3' y='4' opacity='.5' composite-op='svg:multiply' edit-locked='true'/>
            <stack name='group' x='5' visibility='hidden' isolation='isolate'><layer name='in' src='data/a.png'/><layer name='under' src='data/a.png'/></stack>
            """);
        Assert.Equal(new Box(0, 0, 40, 30), drawing.Box);
        Assert.Equal(["Card", "group", "under", "in", "top"], drawing.Layers.Select(l => l.Name));
        Assert.True(drawing.Layer("group").Hidden);
        Assert.True(drawing.Layer("top").Locked);
        Assert.Equal("multiply", drawing.Layer("top").Element.Style("mix-blend-mode"));
        Assert.Equal(new EmbeddedPicture(1, 1), EmbeddedPicture.Of(drawing.Layer("in").Element));
    }

    [Fact]
    public void What_cannot_be_composed_is_told() =>
        Assert.Contains(Read("<layer name='a' src='data/a.png' composite-op='svg:xor'/>").Notes, n => n.Sentence.Contains("svg:xor", StringComparison.Ordinal));

    [Theory]
    [InlineData("<layer src='../../etc/passwd'/>", "is missing")]
    [InlineData("<layer src='stack.xml'/>", "is no PNG")]
    [InlineData("<layer src='data/a.png' x='far'/>", "is no number")]
    [InlineData("<layer src='data/a.png'", "not well-formed")]
    public void Broken_stacks_are_refused_with_the_place(string inside, string expected) =>
        Assert.Contains(expected, Assert.Throws<DrawingRefusedException>(() => Read(inside)).Message, StringComparison.Ordinal);

    [Fact]
    public void Hostile_archives_are_refused()
    {
        Assert.Throws<DrawingRefusedException>(() => DrawingReader.Read(Ora("<!DOCTYPE x [<!ENTITY a 'b'>]><image w='1' h='1'/>"), "x"));
        Assert.Throws<DrawingRefusedException>(() => Read(string.Concat(Enumerable.Repeat("<stack>", 300)) + string.Concat(Enumerable.Repeat("</stack>", 300))));
        Assert.Throws<DrawingRefusedException>(() => Read("", "w='1e9' h='1'"));
        var whole = Ora("<image w='4' h='4'><stack/></image>");
        Assert.Throws<DrawingRefusedException>(() => DrawingReader.Read(whole.AsMemory(0, whole.Length / 2), "x"));
        Assert.Throws<DrawingRefusedException>(() => DrawingReader.Read("PK\u0003\u0004 and nothing more"u8.ToArray(), "x"));
    }

    [Fact]
    public void A_picture_is_a_screen_with_one_layer_and_broken_ones_are_refused()
    {
        var drawing = DrawingReader.Read(Pixel, "Moon");
        Assert.Equal([("Moon", LayerContent.Screen), ("Moon", LayerContent.Image)], drawing.Layers.Select(l => (l.Name, l.Content)));
        Assert.Throws<DrawingRefusedException>(() => DrawingReader.Read(Pixel.AsMemory(0, 20), "Moon"));
        byte[] huge = [.. Pixel[..16], 0x7f, 0xff, 0xff, 0xff, 0x7f, 0xff, 0xff, 0xff, .. Pixel[24..]];
        Assert.Throws<DrawingRefusedException>(() => DrawingReader.Read(huge, "Moon"));
    }
}
