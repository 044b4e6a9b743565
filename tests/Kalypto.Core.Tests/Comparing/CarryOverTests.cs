using System.Collections.Immutable;
using Kalypto.Core.Arranging;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tests.Comparing;

/// <summary>What is carried over to a next draft, and what is told of it.</summary>
public class CarryOverTests
{
    private const string Bell = "<path id='bell' d='M20 20L44 20L44 40L32 46L20 40'/>";
    private const string Moon = "<path id='moon' d='M100 20L130 20L130 60L110 70L96 50'/>";
    private const string Card = "<g id='card'><rect id='ground' x='20' y='100' width='200' height='80' fill='#173a45'/><rect id='rule' x='30' y='140' width='180' height='2' fill='#e0a83c'/></g>";
    private const string First = Bell + Moon + Card + "<rect id='foot' x='0' y='900' width='1000' height='100' fill='#333'/>";

    private static DraftDrawing Draft(string inside, Lineages? lineages = null) => Svg.Measure(inside) is var measured ? new(measured, lineages ?? Lineages.First(measured.Drawn.Layers.Length)) : null!;

    private static (DraftDrawing Now, CarryOver Carried) Next(DraftDrawing before, string inside, params DraftDrawing[] earlier)
    {
        var measured = Svg.Measure(inside);
        var carried = CarryOver.To(measured, before, earlier, earlier.Append(before).SelectMany(d => Enumerable.Range(0, d.Lineages.Count).Select(d.Lineages.Of)).Max() + 1);
        return (new(measured, carried.Lineages), carried);
    }

    private static string? Was(DraftDrawing before, DraftDrawing now, string name) =>
        before.Lineages.OrdinalOf(now.Lineages.Of(now.Measured.Drawn.Layer(name).Ordinal)) is { } old ? before.Measured.Drawn.Layers[old].Name : null;

    private static string Told(DraftDrawing before, DraftDrawing now, ImmutableArray<KeptPair> pairs, params string[] ships)
    {
        var changes = DraftChanges.Of(before, now, pairs, now.Measured.Drawn.Layers.Where(l => ships.Contains(l.Name)).Select(l => l.Ordinal).ToHashSet());
        return string.Join("; ", changes.Changes.Select(c => $"{(c.New is { } n ? now.Measured.Drawn.Layers[n].Name : before.Measured.Drawn.Layers[c.Old!.Value].Name)}:"
            + $"{(c.IsAsked ? " asked" : "")}{(c.Old is null ? " new" : "")}{(c.New is null ? " gone" : "")}{(c.IsChanged ? $" {c.Redrawn}" : "")}{(c.IsMoved ? " moved" : "")}{(c.IsRenamed ? " renamed" : "")}"))
            + $" | {changes.Same} same";
    }

    [Theory]
    [InlineData("M20 20L44 20L44 40L32 46L20 40", "fill='#b8402a'", "Paints")]
    [InlineData("M20 20L68 20L68 60L44 72L20 60", "", "Size")]
    // As many corners, but elsewhere.
    [InlineData("M20 20L44 24L40 40L32 46L20 30", "", "Form")]
    [InlineData("M20 20L44 24L40 40L32 46L20 30", "fill='#b8402a'", "Form")]
    public void Other_geometry_is_told_as_such_also_where_the_commands_are_the_same(string outline, string paint, string redrawn)
    {
        var first = Draft(First);
        var (now, carried) = Next(first, First.Replace("d='M20 20L44 20L44 40L32 46L20 40'", $"{paint} d='{outline}'"));
        Assert.Equal($"bell: {redrawn} | 5 same", Told(first, now, carried.Pairs));
    }

    [Fact]
    public void Names_that_a_program_counts_anew_are_not_told_as_renamed()
    {
        var first = Draft(First.Replace("id='card'", "id='card' data-name='Group 13'"));
        var (now, carried) = Next(first, First.Replace("id='card'", "id='card' data-name='Group 505'").Replace("<path id='bell'", "<path id='bell' data-name='alarm'"));
        Assert.Equal("alarm: renamed | 5 same", Told(first, now, carried.Pairs));
    }

    [Fact]
    public void The_same_drawing_again_carries_everything_and_tells_nothing()
    {
        var first = Draft(First);
        var (now, carried) = Next(first, First);
        Assert.Equal(Enumerable.Range(0, 7), carried.Lineages.Numbers);
        Assert.Empty(carried.Pairs);
        Assert.Equal(" | 6 same", Told(first, now, carried.Pairs));
    }

    [Fact]
    public void What_is_recoloured_moved_renamed_gone_or_new_is_told_as_that()
    {
        var first = Draft(First);
        var (now, carried) = Next(first, Bell.Replace("'bell'", "'bell' fill='#b8402a'") + Moon.Replace("id='moon'", "id='moon-phase'") + Card.Replace("'20'", "'60'").Replace("x='30'", "x='70'")
            + "<path id='comet' d='M500 500L520 500L530 560L525 580L490 570'/>");
        Assert.Equal(("bell", "moon", "card", null), (Was(first, now, "bell"), Was(first, now, "moon-phase"), Was(first, now, "card"), Was(first, now, "comet")));
        Assert.Equal("bell: Paints; moon-phase: renamed; card: moved; comet: new; foot: gone | 2 same", Told(first, now, carried.Pairs));
        Assert.Equal("moon", carried.Names[first.Lineages.Of(first.Measured.Drawn.Layer("moon").Ordinal)]);
        // What changed in a picture that ships is told of the picture.
        var (next, again) = Next(now, Bell.Replace("'bell'", "'bell' fill='#b8402a'") + Moon.Replace("id='moon'", "id='moon-phase'") + Card.Replace("'20'", "'60'").Replace("x='30'", "x='70'").Replace("#e0a83c", "#2c6e54"));
        Assert.Equal("card: Paints; comet: gone | 3 same", Told(now, next, again.Pairs, "card"));
    }

    [Fact]
    public void What_was_gone_has_its_lineage_again_when_it_comes_back()
    {
        var first = Draft(First);
        var (second, _) = Next(first, Moon + Card);
        var (third, carried) = Next(second, Bell + Moon + Card, first);
        Assert.Equal(first.Lineages.Of(1), third.Lineages.Of(third.Measured.Drawn.Layer("bell").Ordinal));
        Assert.Equal(PairReason.CameBack, carried.Pairs.Single(p => p.New == third.Measured.Drawn.Layer("bell").Ordinal).Reason);
        // Something that only looks like it in another place does not get the lineage of something that is there.
        Assert.Equal(third.Lineages.Count, Enumerable.Range(0, third.Lineages.Count).Select(third.Lineages.Of).Distinct().Count());
    }

    [Fact]
    public void Something_else_in_the_same_place_is_asked_about_though_its_neighbours_are_the_same()
    {
        const string Note = "<g id='note'><g id='person'><path d='M30 300L50 300L50 330'/></g><text x='70' y='320'>4 people are before you</text></g>";
        var first = Draft(First + Note);
        var (now, carried) = Next(first, First + Note.Replace("'person'", "'clock'").Replace("M30 300L50 300L50 330", "M31 301L44 310L52 322L40 330L31 325"));
        Assert.Equal(("note", null), (Was(first, now, "note"), Was(first, now, "clock")));
        Assert.Equal("clock: asked Inside | 8 same", Told(first, now, carried.Pairs));
        Assert.Equal("clock", now.Measured.Drawn.Layers[Assert.Single(carried.Pairs, p => p.Grade == PairGrade.Unsure).New].Name);
    }

    [Fact]
    public void Two_that_could_both_be_it_are_asked_about_and_not_carried()
    {
        const string One = "<g id='list'><path d='M20 20L60 20L60 40'/><path d='M20 120L60 120L60 140'/></g>";
        const string Two = "<g id='list'><path d='M420 20L432 20L440 33L470 41'/><path d='M520 720L532 720L540 733L570 741'/></g>";
        var first = Draft(One);
        var (_, carried) = Next(first, Two);
        Assert.DoesNotContain(carried.Pairs, p => p.Grade == PairGrade.Sure && p.New > 1);
        Assert.All(carried.Pairs.Where(p => p.Grade == PairGrade.Unsure), p => Assert.NotEqual(p.Old, carried.Lineages.Of(p.New)));
        Assert.Equal(carried.Pairs, KeptPair.Read(KeptPair.Write(carried.Pairs)));
    }

    [Fact]
    public void Combinations_wait_for_members_that_are_gone_and_frames_follow_what_lies_on_them()
    {
        var first = Draft(First);
        int Of(DraftDrawing draft, string name) => draft.Lineages.Of(draft.Measured.Drawn.Layer(name).Ordinal);
        var kept = new Arrangement([new("Tonight", new(0, 0, 300, 200), Lineages.Made + 1), new("Foot", new(0, 900, 1000, 100), Of(first, "foot"))],
            [new("badge", [Of(first, "bell"), Of(first, "moon")], null), new("frame", [], new(0, 0, 300, 200))]);
        var (second, _) = Next(first, $"<rect id='new' x='1' y='1' width='7' height='7'/><g id='board'>{Moon.Replace("M100 20L130 20L130 60L110 70L96 50", "M300 120L330 120L330 160L310 170L296 150")}"
            + $"{Card.Replace("x='20' y='100'", "x='220' y='200'").Replace("x='30' y='140'", "x='230' y='240'")}</g>");
        var followed = kept.Follow(first, second);
        Assert.Equal(new Box(200, 100, 300, 200), followed.Made[1].Frame);
        var there = followed.In(second.Lineages);
        Assert.Equal(["Tonight"], there.Screens.Select(s => s.Name));
        Assert.Equal([second.Measured.Drawn.Layer("moon").Ordinal], there.Made[0].Members);
        // An edit in the second draft loses nothing of what waits.
        var edited = followed.Keep(there with { Made = [there.Made[0] with { Name = "sign" }, there.Made[1]] }, second.Lineages);
        Assert.Equal(("sign", 2), (edited.Made[0].Name, edited.Made[0].Members.Length));
        var back = edited.Follow(second, first).In(first.Lineages);
        Assert.Equal(["Tonight", "Foot"], back.Screens.Select(s => s.Name));
        Assert.Equal([1, 2], back.Made[0].Members);
        Assert.Equal(kept.Screens[0].Box, back.Screens[0].Box);
        Assert.True(kept.In(new(3, [0, 90, 91])).Made[0].Gone);
        Assert.False(kept.Keep(kept.In(new(3, [0, 90, 91])), new(3, [0, 90, 91])).Made[0].Gone);
    }
}
