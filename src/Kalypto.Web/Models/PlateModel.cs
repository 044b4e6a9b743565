using Kalypto.Application.Handover;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Handover;
using Kalypto.Core.Packing;
using Kalypto.Core.Styling;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A plate with its key.</summary>
/// <param name="Head">The delivery that it is of.</param>
/// <param name="Design">The number of the design.</param>
/// <param name="Root">The layer that stands for the screen.</param>
/// <param name="Name">The name of the screen.</param>
/// <param name="Plate">The plate.</param>
/// <param name="Rows">The key, by number.</param>
/// <param name="Sheets">The plate laid out for wide and narrow pages.</param>
/// <param name="Shows">What can be shown: a short name, words, how many.</param>
/// <param name="Unreached">What nobody gets: names, and boxes in pt.</param>
public sealed record PlateModel(HandoverHead Head, int Design, int Root, string Name, Plate Plate, IReadOnlyList<PlateRow> Rows, IReadOnlyList<PlateSheet> Sheets,
    IReadOnlyList<(string Show, string Words, int Count)> Shows, IReadOnlyList<(string Name, Box Box)> Unreached)
{
    private const int LongestWords = 60;

    /// <summary>The address of the picture of the screen.</summary>
    public string Picture => $"/pictures/{Head.Project}/delivered/{Head.Number}/{Design}/screen/{Root}.png";

    /// <summary>The sums in words.</summary>
    public string Sum => $"{Words.Count(Rows.Count, "number")} · {Words.Count(Files, "file")}";

    /// <summary>How many files all numbers have.</summary>
    public int Files { get; init; }

    /// <summary>Puts it together.</summary>
    public static PlateModel Of(Delivered delivered, HandoverHead head, int design, Plate plate, (int Number, IReadOnlySet<int> Pins)? since, ITokenNames tokens)
    {
        var state = delivered.Workspace.FindDesign(design)!.Value.State;
        List<PlateRow> rows = [.. plate.Pins.Select(pin => RowOf(delivered, head, design, state, plate, pin, since?.Pins.Contains(pin.Number) == true, tokens))];
        List<(string Show, Func<Pin, bool> Holds)> choices = [("all", _ => true), ("picture", p => p.Kind == PinKind.Picture), ("code", p => p.Kind != PinKind.Picture), ("words", p => p.Kind == PinKind.Words)];
        List<(string, string, int)> shows = [("all", "all", rows.Count), ("picture", "pictures", rows.Count(r => r.Kind == "picture")), ("code", "in code", rows.Count(r => r.Kind != "picture")), ("words", "words", rows.Count(r => r.Kind == "words"))];
        if (since is { } from)
        {
            choices.Add(("new", p => from.Pins.Contains(p.Number)));
            shows.Add(("new", $"new since {from.Number} ·", rows.Count(r => r.IsNew)));
        }
        var corner = state.ToPoints(plate.Screen.Box);
        return new(head, design, plate.Screen.Root.Ordinal, plate.Screen.Name, plate, rows,
            [PlateSheet.Of("wide", plate, 460, 620, 62, choices), PlateSheet.Of("narrow", plate, 262, 560, 26, choices)], shows,
            [.. plate.Unreached.Select(l => (state.NameOf(l), state.PointsOf(l) is { } b ? b with { X = b.X - corner.X, Y = b.Y - corner.Y } : default))])
        { Files = plate.Pins.Sum(p => FilesOfPin(delivered, design, p).Count()) };
    }

    /// <summary>The delivered files of a number, with those of the other states of a button.</summary>
    public static IEnumerable<PlannedFile> FilesOfPin(Delivered delivered, int design, Pin pin) =>
        pin.Others.Prepend(pin.Layer).Select(o => delivered.PictureOf(new(design, o))).OfType<Picture>().Distinct().SelectMany(delivered.FilesOf);

    private static PlateRow RowOf(Delivered delivered, HandoverHead head, int design, DesignState state, Plate plate, Pin pin, bool isNew, ITokenNames tokens)
    {
        var layer = state.Layers[pin.Layer];
        var thumb = $"/pictures/{head.Project}/delivered/{head.Number}/{design}/layer/{pin.Layer}.png";
        double[][] places = [.. pin.Places.Select(b => new[] { b.X, b.Y, b.Width, b.Height })];
        var repeated = pin.Places.Length > 1 ? $", {pin.Places.Length} times" : "";
        if (pin.Kind == PinKind.Picture && delivered.PictureOf(new(design, pin.Layer)) is { } picture)
        {
            var states = pin.Others.Select(o => delivered.PictureOf(new(design, o))?.State).Prepend(picture.State).OfType<string>().Distinct().ToList();
            var elsewhere = picture.Places.Select(p => delivered.Workspace.FindLayer(p.Design, p.Ordinal) is var (_, s, l) ? s.Measured.ScreenOf(l)?.Name : null).OfType<string>().Where(n => n != plate.Screen.Name).Distinct().ToList();
            var about = picture.Making.Kind + repeated + (states.Count > 1 ? $" · {string.Join(", ", states)}" : "") + (elsewhere.Count > 0 ? $", also on {string.Join(", ", elsewhere)}" : "");
            return new(pin.Number, "picture", pin.Layer, picture.Name, about, picture.Crop is { } crop ? Words.Size(crop.Box) : "", Words.Count(FilesOfPin(delivered, design, pin).Count(), "file"), thumb, isNew, places);
        }
        var values = plate.Values.GetValueOrDefault(pin.Layer);
        var size = values is not null ? Words.Size(values.Box) : "";
        if (values?.Text is { } text)
        {
            var words = text.Words.Replace('\n', ' ');
            return new(pin.Number, "words", pin.Layer, words.Length > LongestWords ? words[..LongestWords] + "…" : words, repeated.TrimStart(',', ' '), size, ValueWords.Brief(values, tokens), thumb, isNew, places);
        }
        return new(pin.Number, pin.Kind == PinKind.Words ? "words" : "box", pin.Layer, state.NameOf(layer), (layer.Children.Count > 0 ? "group" : "box") + repeated, size, values is null ? "" : ValueWords.Brief(values, tokens), thumb, isNew, places);
    }
}
