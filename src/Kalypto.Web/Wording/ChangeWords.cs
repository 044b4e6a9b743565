using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Web.Wording;

/// <summary>Says what became of a layer from one draft to the next.</summary>
internal static class ChangeWords
{
    private const int LongestText = 40;
    private const double Worth = 0.05;

    public static string Say(LayerChange change, DesignState before, DesignState now)
    {
        if (change.Old is not { } o)
        {
            return change.New is { } n ? $"{Kind(now.Layers[n])}, not in the draft before" : "";
        }
        if (change.New is not { } there)
        {
            return $"{Kind(before.Layers[o])}; what was said of it is kept in case it comes back";
        }
        var (old, layer) = (before.Layers[o], now.Layers[there]);
        var parts = new List<string>();
        if (change.IsAsked || change.Grade == PairGrade.Likely || change.Reason == PairReason.CameBack)
        {
            parts.Add($"{(change.IsAsked ? "" : "taken for the same: ")}{Because(change.Reason)}");
        }
        if (change.IsChanged)
        {
            parts.Add(How(change, old, layer, before.PointsOf(old), now.PointsOf(layer)));
        }
        if (change.IsMoved)
        {
            parts.Add(Way(before.PointsOf(old), now.PointsOf(layer)));
        }
        if (old.Name != layer.Name && layer.NameSource is NameSource.Given or NameSource.Id)
        {
            parts.Add($"now called “{Clip(layer.Name)}” in the drawing");
        }
        return string.Join(" · ", parts);
    }

    private static string Because(PairReason reason) => reason switch
    {
        PairReason.SameDrawing => "drawn alike",
        PairReason.SameName => "of the same name",
        PairReason.SameId => "of the same id in the file",
        PairReason.SameInside => "the same layers lie in it",
        PairReason.SamePlace => "in the same place",
        PairReason.SameForm => "of the same form",
        PairReason.CameBack => "back from an earlier draft",
        PairReason.Said => "as was said",
        _ => "unchanged",
    };

    private static string How(LayerChange change, Layer old, Layer layer, Box? from, Box? to) => change.Redrawn switch
    {
        Redrawing.Paints => "other colours",
        Redrawing.Words => $"says “{Clip(LayerText.Of(layer))}”, was “{Clip(LayerText.Of(old))}”",
        Redrawing.Picture => "another picture",
        Redrawing.Inside => $"something in it is drawn otherwise{Larger(from, to)}",
        Redrawing.Size => $"another size{Larger(from, to)}",
        _ => $"drawn anew{Larger(from, to)}",
    };

    private static string Larger(Box? from, Box? to)
    {
        if (from is not { } a || to is not { } b)
        {
            return "";
        }
        var sides = new[] { Side(b.Width - a.Width, "wider", "narrower"), Side(b.Height - a.Height, "taller", "lower") }.Where(s => s.Length > 0);
        return string.Join(", ", sides) is { Length: > 0 } text ? $", {text}" : "";
    }

    private static string Way(Box? from, Box? to) => from is { } a && to is { } b
        && string.Join(", ", new[] { Side(b.X - a.X, "right", "left"), Side(b.Y - a.Y, "down", "up") }.Where(s => s.Length > 0)) is { Length: > 0 } text ? $"moved {text}" : "moved into another group";

    private static string Side(double by, string more, string less) => Math.Abs(by) < Worth ? "" : $"{Numbers.Text(Math.Abs(by), 1)} pt {(by > 0 ? more : less)}";

    private static string Kind(Layer layer) => layer.Content switch
    {
        LayerContent.Group => $"group of {Words.Count(layer.SelfAndDescendants().Count() - 1, "layer")}",
        LayerContent.Text => $"text “{Clip(LayerText.Of(layer))}”",
        LayerContent.Image => "picture",
        LayerContent.Repeat => "repeat",
        LayerContent.Screen => "screen",
        _ => "shape",
    };

    private static string Clip(string text) => text.Length > LongestText ? text[..(LongestText - 1)] + "…" : text;
}
