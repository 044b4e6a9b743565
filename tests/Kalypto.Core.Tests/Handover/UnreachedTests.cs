using Kalypto.Core.Deciding;
using Kalypto.Core.Handover;

namespace Kalypto.Core.Tests.Handover;

public class UnreachedTests
{
    private const string Screen = """
        <rect id='ground' width='1000' height='1000' fill='#eee'/>
        <g id='card'><rect id='face' x='100' y='100' width='300' height='200' fill='#fff'/><g id='bell'><rect id='clapper' x='120' y='120' width='20' height='20'/><rect id='dome' x='120' y='130' width='20' height='20'/></g><text id='words' x='150' y='150'>Tonight</text></g>
        <g id='button'><rect id='box' x='100' y='500' width='300' height='60'/><text id='label' x='150' y='530'>Book</text></g>
        <g id='beneath'><rect id='covered' x='600' y='600' width='20' height='20'/></g><rect id='lid' x='590' y='590' width='100' height='100' fill='#123'/>
        <rect id='hidden' display='none' width='10' height='10'/><rect id='clear' width='10' height='10' fill='none'/><g id='guide' data-guide='true'><rect id='column' width='10' height='1000'/></g><rect id='note' x='700' y='700' width='50' height='50'/>
        """;

    private static readonly (string Layer, string Says)[] Finished = [("ground", "Code"), ("face", "Code"), ("bell", "Ship"), ("words", "Code"), ("button", "Ship"), ("lid", "Code"), ("note", "Leave")];

    private static string Names(params (string Layer, string Says)[] marks)
    {
        var design = Svg.Measure(Screen).State(marks);
        return string.Join(", ", Unreached.Of(design, design.Measured.Drawing.Screens[0]).Select(l => l.Name));
    }

    [Fact]
    public void A_finished_screen_is_clean_and_each_part_that_nobody_decided_is_found_alone()
    {
        Assert.Equal("", Names(Finished));
        foreach (var (layer, _) in Finished)
        {
            Assert.Equal(layer, Names([.. Finished.Where(f => f.Layer != layer)]));
        }
    }

    [Fact]
    public void Nothing_decided_is_told_as_a_whole_and_what_is_not_seen_is_not_told() => Assert.Equal("ground, card, button, lid, note", Names());

    [Fact]
    public void The_box_that_a_group_in_code_stands_on_is_told_with_it() => Assert.Equal("bell, words", Names([("card", "Code"), .. Finished.Where(f => f.Layer is not ("face" or "bell" or "words"))]));
}
