using CsCheck;
using Kalypto.Core.Fonts;

namespace Kalypto.Core.Tests.Fonts;

public class FontFileTests
{
    private static readonly byte[] Figtree = File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "../../../../../demo/fonts/Figtree_600SemiBold.ttf"));

    [Fact]
    public void A_font_says_what_it_is_called_and_how_it_looks()
    {
        var font = FontFile.Read(Figtree, "f", "figtree.ttf");
        Assert.Equal(("Figtree", 600, 600, 100.0, false, false), (font.Family, font.Lightest, font.Heaviest, font.Stretch, font.IsItalic, font.IsVariable));
        Assert.True(font.Answers("figtree") && font.Answers("Figtree SemiBold") && font.Answers("Figtree-SemiBold") && !font.Answers("Figtree Bold"));
    }

    [Theory]
    [InlineData(0, FontEmbedding.Installable)]
    [InlineData(2, FontEmbedding.Not)]
    [InlineData(4, FontEmbedding.Print)]
    [InlineData(8, FontEmbedding.Editable)]
    // Of several the mildest holds; what must stay whole, or may be bitmaps only, is not embedded here.
    [InlineData(6, FontEmbedding.Print)]
    [InlineData(12, FontEmbedding.Editable)]
    [InlineData(0x100, FontEmbedding.Not)]
    [InlineData(0x208, FontEmbedding.Not)]
    public void Licence_bits_say_what_may_be_done(int fsType, FontEmbedding embedding) => Assert.Equal(embedding, FontFile.EmbeddingOf(fsType));

    [Fact]
    public void Whatever_is_broken_in_a_font_is_refused_and_nothing_else_happens()
    {
        // The head of the file, the table of names and what describes it are what is read.
        Gen.Select(Gen.Int[0, 2000].Array[1, 12], Gen.Byte.Array[12], Gen.Int[0, 40]).Sample((places, values, cut) =>
        {
            byte[] broken = [.. Figtree[..^(cut * 900)]];
            for (var i = 0; i < places.Length; i++)
            {
                broken[places[i] % broken.Length] = values[i];
            }
            try
            {
                Assert.NotEmpty(FontFile.Read(broken, "f", "x.ttf").Names);
            }
            catch (FontRefusedException e)
            {
                Assert.NotEmpty(e.Message);
            }
        });
        byte[] collection = [.. "ttcf"u8, 0, 1, 0, 0, 0, 0, 0, 1, 0, 0, 0, 16, .. Figtree];
        Gen.Select(Gen.Int[0, 400].Array[1, 12], Gen.Byte.Array[12]).Sample((places, values) =>
        {
            byte[] broken = [.. collection];
            for (var i = 0; i < places.Length; i++)
            {
                broken[places[i]] = values[i];
            }
            try
            {
                Assert.All(FontCollection.FontsOf(broken), f => Assert.InRange(f.Length, 12, FontFile.MostBytes));
            }
            catch (FontRefusedException e)
            {
                Assert.NotEmpty(e.Message);
            }
        });
        Gen.Byte.Array[0, 400].Sample(bytes =>
        {
            Assert.Throws<FontRefusedException>(() => FontCollection.FontsOf((byte[])[.. "ttcf"u8, .. bytes]));
            Assert.Throws<FontRefusedException>(() => FontFile.Read((byte[])[0, 1, 0, 0, .. bytes], "f", "x.ttf"));
            Assert.Throws<FontRefusedException>(() => Woff.Unpack([.. "wOFF"u8, .. bytes]));
        });
    }

    [Fact]
    public void A_drawing_gets_the_fonts_that_it_asks_for_and_its_own()
    {
        Font Named(string family, string sha, int? design = null) => new() { Sha256 = sha, FileName = "x", Names = [family], Design = design };
        var book = FontBook.Of([Named("Wren", "a"), Named("Wren", "b", 7), Named("Lark", "c")]);
        Assert.Equal("a", book.OfDesign(3).For(["'WREN', serif"]).Key);
        Assert.Equal("a b", book.OfDesign(7).For(["Inter, wren"]).Key);
        Assert.Equal("", book.For(["Inter", ""]).Key);
        Assert.Equal(book.Fonts.Select(f => f.Sha256), FontBook.Read(book.ToJson()).Fonts.Select(f => f.Sha256));
        Assert.Equal(7, FontBook.Read(book.ToJson()).Fonts.Single(f => f.Sha256 == "b").Design);
        Assert.Equal("", FontBook.Read("no book").Key);
        // The first of a list that is there is what is drawn.
        string? StandIn(string families) => families is "Inter" ? null : "DejaVu Sans";
        Assert.Null(book.StandInFor("Wren, Inter", StandIn));
        Assert.Equal("Lark", book.StandInFor("Missing, Lark, Inter", StandIn));
        Assert.Equal("Inter", book.StandInFor("Missing, Inter", StandIn));
        Assert.Equal("DejaVu Sans", book.StandInFor("Missing, serif", StandIn));
        Assert.Null(book.StandInFor("serif", StandIn));
    }
}
