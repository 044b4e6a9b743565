using System.Globalization;
using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Handover;
using Kalypto.Core.Reading;
using Kalypto.Core.Styling;
using Kalypto.Core.Tagging;

namespace Kalypto.Bench;

/// <summary>A plate of 400 layers, and what nobody gets of 5,000.</summary>
internal static class Plates
{
    public static void Run()
    {
        // A state of its own each time, for what is worked out is kept with it.
        var (small, large) = (Screen(400), Screen(5_000));
        var (plate, numbers) = (0.0, 0);
        (plate, _) = Report.Medians(9, () =>
        {
            var state = small with { Marks = small.Marks.ToDictionary() };
            var screen = state.Measured.Drawing.Screens[0];
            var pins = Pins.Of(state, screen, _ => null);
            var reader = new ValuesReader(state, screen);
            numbers = pins.Count(p => reader.Of(state.Layers[p.Layer]) is not null);
            PinLayout.Of([.. pins.Where(p => p.Places.Length > 0).Select(p => (p.Number, p.Places[0]))], 400, 600, 60, 27);
        }, () => { });
        Report.Line($"a plate of {numbers} numbers read and laid out, ms", Report.Text(plate * 1000), "< 300", plate < 0.3);
        var first = Report.Seconds(() => Unreached.Of(large, large.Measured.Drawing.Screens[0]));
        var (again, _) = Report.Medians(9, () => Unreached.Of(large with { Marks = large.Marks.ToDictionary() }, large.Measured.Drawing.Screens[0]), () => { });
        Report.Line("what nobody gets of 5,000 layers, first time, ms", Report.Text(first * 1000), "< 1000", first < 1);
        Report.Line("the same after an edit, ms", Report.Text(again * 1000), "< 20", again < 0.02);
    }

    // Words and boxes in turn, in groups of ten; every second one is built in code of the large one, every one of the small one.
    private static DesignState Screen(int count)
    {
        var text = new StringBuilder("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1440 4000'><defs><linearGradient id='g'><stop stop-color='#123'/><stop offset='1' stop-color='#456'/></linearGradient></defs>");
        for (var i = 0; i < count; i++)
        {
            text.Append(i % 10 == 0 ? (i > 0 ? "</g>" : "") + $"<g id='card {i}' fill='#fff' font-family='Inter'>" : "");
            var (x, y) = (i % 12 * 110, i / 12 * 24 % 3900);
            text.Append(i % 2 == 0 ? string.Create(CultureInfo.InvariantCulture, $"<text id='words {i}' x='{x}' y='{y + 16}' style='font-size:14px;fill:#{i % 4096:x3}'>Number {i}</text>")
                : string.Create(CultureInfo.InvariantCulture, $"<rect id='box {i}' x='{x}' y='{y}' width='100' height='20' rx='{i % 9}' fill='{(i % 3 == 0 ? "url(#g)" : "#fff")}' fill-opacity='.5'/>"));
        }
        var drawing = SvgReader.Read(Encoding.UTF8.GetBytes(text.Append("</g></svg>").ToString()), "Drawing");
        double Of(Layer layer, string name) => Numbers.Length(layer.Element[name]) ?? 0;
        var shapes = drawing.Layers.Select(l => (Box?)(l.Element.Name == "text" ? new Box(Of(l, "x"), Of(l, "y") - 12, 80, 16) : l.Element.Name == "rect" ? new Box(Of(l, "x"), Of(l, "y"), 100, 20) : drawing.Box)).ToList();
        return new(1, "Drawing", 1, new(drawing, shapes), drawing.Layers.Where(l => l.Element.Name is "text" or "rect" && (count < 1000 || l.Ordinal % 2 == 0)).ToDictionary(l => l.Ordinal, _ => new Mark(Decision.Code, null, Tags.Empty)));
    }
}
