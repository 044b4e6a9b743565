using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Deciding;

/// <summary>A decision for every layer of one sort that nobody decided yet.</summary>
/// <param name="Id">A short name for data.</param>
/// <param name="Label">What it does, for a button.</param>
/// <param name="Decision">What is decided.</param>
/// <param name="Tags">Tags that go with it; empty for none.</param>
/// <param name="Holds">True for the layers meant.</param>
public sealed record DecisionRule(string Id, string Label, Decision Decision, string Tags, Func<DesignState, Layer, bool> Holds)
{
    /// <summary>All rules, in the order in which they are offered.</summary>
    public static IReadOnlyList<DecisionRule> All { get; } =
    [
        new("texts", "all texts: code", Decision.Code, "", (_, l) => l.Content == LayerContent.Text),
        new("boxes", "plain boxes and lines: code", Decision.Code, "", (_, l) => IsPlain(l)),
        new("guides", "guides and grids: leave", Decision.Leave, "", (_, l) => l.Guide || l.Ancestors().Any(a => a.Guide)),
        new("hidden", "what is hidden: leave", Decision.Leave, "", (_, l) => l.HiddenHere && !l.Guide),
        new("photos", "embedded photos: ship", Decision.Ship, "photo", (_, l) => l.Content == LayerContent.Image),
        new("groups", "groups of texts and boxes alone: code", Decision.Code, "", (_, l) => l.Content == LayerContent.Group && IsMadeOfPlain(l)),
    ];

    /// <summary>The layers that the rule decides on: those that are open and not inside something shipped or left.</summary>
    public IEnumerable<Layer> Among(DesignState design, IEnumerable<Layer> layers) => layers.Where(l => l.Content != LayerContent.Screen
        && design.MarkOf(l).Decision == Decision.Open && Progress.CoveredBy(l, design.MarkOf) is null && !design.States.ContainsKey(l) && Holds(design, l));

    /// <summary>A box or line that developers draw in code: no pattern, no effect that code would find hard.</summary>
    public static bool IsPlain(Layer layer) => layer.Content == LayerContent.Shape
        && (layer.Element.Name is "rect" or "line" or "circle" or "ellipse" || layer.Element.Name == "path" && PlainPath.Is(layer.Element["d"] ?? ""))
        && layer.Element.Style("mask") is null or "none" && layer.Element.Style("clip-path") is null or "none";

    private static bool IsMadeOfPlain(Layer group) => group.Children.Count > 0 && group.SelfAndDescendants()
        .All(l => l.Content is LayerContent.Group or LayerContent.Text || IsPlain(l));
}
