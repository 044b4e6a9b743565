using Kalypto.Core.Library;

namespace Kalypto.Core.Tests.Library;

/// <summary>What was shipped is found by words, kind, size, colour and what it looks like.</summary>
public class LibraryTests
{
    private const string Bell = "....##.... ...####... ..######.. ..######.. ..######.. .########. ########## ....##....";
    private const string Arrow = "....#..... ...##..... ..######## .######### ########## .######### ..######## ...##.....";

    /// <summary>A picture out of rows of signs, each cell so many px wide, with room around it.</summary>
    private static (byte[] Pixels, int Width, int Height) Picture(string rows, int cell, (byte R, byte G, byte B) ink, int room = 0, (byte R, byte G, byte B)? ground = null)
    {
        var lines = rows.Split(' ');
        var (width, height) = (lines[0].Length * cell + 2 * room, lines.Length * cell + 2 * room);
        var pixels = new byte[width * height * 4];
        for (var i = 0; i < width * height; i++)
        {
            var (x, y) = (i % width - room, i / width - room);
            var isInk = x >= 0 && y >= 0 && x / cell < lines[0].Length && y / cell < lines.Length && lines[y / cell][x / cell] == '#';
            var colour = isInk ? ink : ground ?? default;
            (pixels[i * 4], pixels[i * 4 + 1], pixels[i * 4 + 2], pixels[i * 4 + 3]) = (colour.R, colour.G, colour.B, (byte)(isInk || ground is not null ? 255 : 0));
        }
        return (pixels, width, height);
    }

    private static PictureHash Hash((byte[] Pixels, int Width, int Height) picture) => PictureHash.Of(picture.Pixels, picture.Width, picture.Height)!.Value;

    private static readonly PictureHash Dark = Hash(Picture(Bell, 6, (20, 40, 60)));

    [Fact]
    public void A_picture_is_known_again_at_another_size_in_another_colour_and_with_room_around_it()
    {
        Assert.All([Picture(Bell, 3, (20, 40, 60)), Picture(Bell, 6, (250, 240, 220)), Picture(Bell, 5, (180, 40, 30), room: 9)],
            other => Assert.InRange(Dark.DistanceTo(Hash(other)), 0, PictureHash.Alike / 2));
        // Light on dark is the same drawing as dark on light.
        Assert.InRange(Hash(Picture(Bell, 6, (255, 255, 255), 0, (10, 20, 30))).DistanceTo(Hash(Picture(Bell, 6, (10, 20, 30), 0, (255, 255, 255)))), 0, PictureHash.Alike);
        Assert.True(Dark.DistanceTo(Hash(Picture(Arrow, 6, (20, 40, 60)))) > PictureHash.Alike);
        // A picture of another shape is another one, whatever is in it.
        Assert.Equal(PictureHash.Farthest, Dark.DistanceTo(Dark with { Aspect = 3 }));
        Assert.Null(PictureHash.Of(new byte[64], 4, 4));
    }

    [Theory]
    [InlineData("")]
    [InlineData("0123456789abcdef-0123456789abcdef")]
    [InlineData("0123456789abcdef-0123456789abcdef-0")]
    [InlineData("0123456789abcdef-0123456789abcdef-NaN")]
    [InlineData("0123456789abcdeg-0123456789abcdef-1")]
    public void A_hash_out_of_an_address_is_read_back_or_refused(string broken)
    {
        Assert.Null(PictureHash.Parse(broken));
        Assert.Equal(Dark with { Aspect = 1.25 }, PictureHash.Parse((Dark with { Aspect = 1.25 }).ToString()));
    }

    [Fact]
    public void Main_colours_are_few_and_say_how_much_of_what_is_visible_they_are()
    {
        var (pixels, _, _) = Picture("##########. ##########.", 4, (200, 40, 30), 3);
        // Shades of one colour count as it.
        for (var i = 0; i < pixels.Length; i += 16)
        {
            pixels[i] = pixels[i] == 200 ? (byte)206 : pixels[i];
        }
        Assert.Equal(1, Assert.Single(MainColours.Of(pixels)).Share);
        var two = MainColours.Of(Picture("###. ###. ###. ....", 5, (200, 40, 30), 0, (20, 60, 90)).Pixels);
        Assert.Equal([("#c8281e", 0.562), ("#143c5a", 0.438)], two.Select(c => (c.Hex, Math.Round(c.Share, 3))));
        Assert.Empty(MainColours.Of(new byte[64]));
    }

    private static ShippedLayer Layer(int design, string drawing, string name, string kind, double side, string colour, int number, string project = "Larkrise", PictureHash? hash = null) =>
        new(design, 1, $"{design}:1", drawing, name, name, "Tonight", kind, "icon to:nav", side, side / 2, ["web"])
        {
            Project = design,
            ProjectName = project,
            Since = new(1, 1, new(2026, 1, 1)),
            Newest = new(number, number, new(2026, 1, number)),
            Look = new(hash ?? Dark, [new(colour, 0.8), new("#ffffff", 0.2)]),
        };

    [Fact]
    public void Every_word_kind_size_colour_and_likeness_that_is_asked_has_to_hold()
    {
        var far = new PictureHash(~Dark.Across, Dark.Down, Dark.Aspect);
        ShippedLayer[] all =
        [
            Layer(1, "a", "bell", "icon", 24, "#c8281e", 1), Layer(2, "a", "alarm", "icon", 24, "#c8281e", 3, "Northlight"),
            Layer(3, "b", "moon", "photo", 400, "#143c5a", 2, hash: far), Layer(4, "c", "belfry", "picture", 80, "#c4302a", 2, hash: Dark with { Across = Dark.Across ^ 7 }),
        ];
        string Found(LibraryQuery query) => string.Join(' ', LibrarySearch.Find(all, query).Select(e => $"{e.Shown.Name}x{e.Places.Length}"));

        // One card a drawing, the newest first, named as it was shipped last.
        Assert.Equal("alarmx2 belfryx1 moonx1", Found(new()));
        Assert.Equal("alarmx2 belfryx1", Found(new() { Words = "BEL tonight" }));
        Assert.Equal("alarmx2", Found(new() { Words = "northlight nav" }));
        Assert.Equal("", Found(new() { Words = "bell northlight" }));
        Assert.Equal("moonx1", Found(new() { Kind = "photo", Platform = "web" }));
        Assert.Equal("", Found(new() { Kind = "photo", Platform = "android" }));
        Assert.Equal("alarmx2 belfryx1", Found(new() { From = 24, To = 80 }));
        Assert.Equal("alarmx2 belfryx1", Found(new() { Colour = "#c92a20" }));
        Assert.Equal("moonx1", Found(new() { Colour = "#163e5c" }));
        Assert.Equal("alarmx2 belfryx1", Found(new() { Like = [Dark] }));
        Assert.Equal([0, 3], LibrarySearch.Find(all, new() { Like = [Dark] }).Select(e => e.Distance));
        Assert.Equal(1, LibrarySearch.Find(all, new()).First().Since!.Number);
    }

    [Fact]
    public void A_word_in_the_name_says_more_than_one_in_the_screen()
    {
        ShippedLayer[] all = [Layer(1, "a", "moon", "icon", 24, "#c8281e", 1), Layer(2, "b", "star", "icon", 24, "#c8281e", 3) with { Screen = "Moon phases" }];
        Assert.Equal(["moon", "star"], LibrarySearch.Find(all, new() { Words = "moon" }).Select(e => e.Shown.Name));
    }

    [Fact]
    public void A_picture_saved_on_a_plain_ground_finds_the_drawing_alone()
    {
        foreach (var (ink, ground) in new ((byte, byte, byte) Ink, (byte, byte, byte) Ground)[] { ((20, 40, 60), (255, 255, 255)), ((240, 220, 90), (20, 30, 40)) })
        {
            var saved = Picture(Bell, 6, ink, room: 14, ground: ground);
            Assert.True(Dark.DistanceTo(Hash(saved)) > PictureHash.Alike);
            Assert.InRange(Dark.DistanceTo(PictureHash.Of(WithoutGround.Of(saved.Pixels, saved.Width, saved.Height)!, saved.Width, saved.Height)!.Value), 0, PictureHash.Alike / 2);
        }
        var through = Picture(Bell, 6, (20, 40, 60), room: 9);
        Assert.Null(WithoutGround.Of(through.Pixels, through.Width, through.Height));
        var photo = Picture(Bell, 6, (20, 40, 60), ground: (255, 255, 255));
        Assert.Null(WithoutGround.Of(photo.Pixels, photo.Width, photo.Height));
        Assert.Equal([Dark with { Aspect = 1.25 }, Dark with { Aspect = 2 }], PictureHash.ParseAll($"{Dark with { Aspect = 1.25 }},{Dark with { Aspect = 2 }}"));
        Assert.Empty(PictureHash.ParseAll($"{Dark},x"));
    }
}
