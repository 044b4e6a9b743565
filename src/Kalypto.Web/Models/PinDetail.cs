using Kalypto.Application.Handover;
using Kalypto.Core.Designs;
using Kalypto.Core.Handover;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>All that is told of a number on a plate.</summary>
/// <param name="Lies">Where its upper left corner lies, in pt.</param>
/// <param name="Edges">To the edges of the screen.</param>
/// <param name="Near">The nearest on each side.</param>
/// <param name="Files">Its files.</param>
/// <param name="Codes">What one types: a short name, a name, the code.</param>
/// <param name="Values">Its values.</param>
/// <param name="Words">Its words, to be copied; null for none.</param>
/// <param name="Notes">Where else it is, its credit, and what no value says.</param>
internal sealed record PinDetail(string Lies, string Edges, IReadOnlyList<PinDetail.Neighbour> Near, IReadOnlyList<PinDetail.File> Files, IReadOnlyList<TypedLine> Codes,
    IReadOnlyList<ValueWords.Line> Values, string? Words, IReadOnlyList<string> Notes)
{
    private static readonly string[] Sides = ["left", "above", "right", "below"];

    /// <summary>What lies beside it.</summary>
    public sealed record Neighbour(string Side, int Number, string Name, double Distance);

    /// <summary>A file of it.</summary>
    public sealed record File(string Path, string Size, string Weight, string Href);

    /// <summary>Puts it together; null for a layer that has no number.</summary>
    public static PinDetail? Of(Delivered delivered, int design, Plate plate, int ordinal, ITokenNames tokens)
    {
        if (plate.Pins.FirstOrDefault(p => p.Layer == ordinal) is not { } pin)
        {
            return null;
        }
        var state = delivered.Workspace.FindDesign(design)!.Value.State;
        var values = plate.Values.GetValueOrDefault(ordinal);
        var box = delivered.BoxOf(design, plate, pin) ?? default;
        var others = plate.Pins.Where(p => p != pin && p.Places.Length > 0).SelectMany(p => p.Places.Select((b, i) => (Pin: p, Box: i == 0 ? delivered.BoxOf(design, plate, p) ?? b : b))).ToList();
        List<Box> boxes = [.. others.Select(o => o.Box)];
        var near = pin.Places.IsEmpty ? [] : Sides.Select(side => Distances.Nearest(box, side, boxes) is var (index, distance) ? new Neighbour(side, others[index].Pin.Number, NameOf(others[index].Pin), distance) : null).OfType<Neighbour>().ToList();
        var edges = Distances.ToEdges(box, plate.Width, plate.Height);
        var files = PlateModel.FilesOfPin(delivered, design, pin).ToList();
        var notes = new List<string>();
        var codes = new List<TypedLine>();
        if (delivered.PictureOf(new(design, ordinal)) is { } picture)
        {
            foreach (var platform in delivered.Workspace.Platforms)
            {
                var own = delivered.FilesOf(picture).Where(f => f.Platform == platform.Id).ToList();
                codes.AddRange(own.Count == 0 ? [] : platform.LinesFor(picture, own, delivered.Workspace.Recipes.Code));
            }
            notes.AddRange(picture.Places.Where(p => p.Design != design || plate.Pins.All(x => x.Layer != p.Ordinal)).Select(p => delivered.Workspace.FindLayer(p.Design, p.Ordinal) is var (_, s, l) ? s.Measured.ScreenOf(l)?.Name : null)
                .OfType<string>().Where(n => n != plate.Screen.Name).Distinct().Select(n => $"also on {n}"));
            if (files.Select(f => f.Credit).FirstOrDefault(c => !c.IsEmpty) is { } credit)
            {
                notes.Add(credit.ToString());
            }
        }
        else if (values is not null)
        {
            var name = string.Join('-', Core.Naming.NameWords.Split(state.NameOf(state.Layers[ordinal])) is { Count: > 0 } words ? words : ["part"]);
            name = char.IsAsciiDigit(name[0]) ? "n" + name : name;
            codes.AddRange(AllCodes.List.Select(c => new TypedLine(c.Id, c.Name, c.Write(values, name, tokens))));
            notes.AddRange(values.Beyond.Select(b => $"not in these values: {b}"));
        }
        return new(pin.Places.IsEmpty ? "hidden in the drawing" : $"{N(box.X)}, {N(box.Y)}", $"{N(edges.Left)} left · {N(edges.Top)} above · {N(edges.Right)} right · {N(edges.Bottom)} below", near,
            [.. files.Select(f => FileOf(delivered, f))], codes, values is null ? [] : [.. ValueWords.Of(values, tokens)], values?.Text?.Words, notes);

        string NameOf(Pin other) => delivered.PictureOf(new(design, other.Layer))?.Name ?? state.NameOf(state.Layers[other.Layer]);
    }

    private static File FileOf(Delivered delivered, PlannedFile file)
    {
        var known = delivered.Files[file.Path];
        return new(file.Path, $"{known.Width}×{known.Height}", Wording.Words.Weight((known.Bytes, false)), $"/projects/{delivered.Row.ProjectId}/builds/{delivered.Row.Id}/file?path={Uri.EscapeDataString(file.Path)}");
    }

    private static string N(double number) => Numbers.Text(number, 2);
}
