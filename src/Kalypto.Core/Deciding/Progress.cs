using Kalypto.Core.Designs;

namespace Kalypto.Core.Deciding;

/// <summary>How far a screen is decided.</summary>
/// <param name="Ship">Layers that become files.</param>
/// <param name="Code">Layers built in code.</param>
/// <param name="Leave">Layers left.</param>
/// <param name="Covered">Layers settled by what lies around or in them.</param>
/// <param name="Open">Layers that somebody still has to decide on.</param>
public sealed record Progress(int Ship, int Code, int Leave, int Covered, int Open)
{
    /// <summary>All layers counted.</summary>
    public int Total => Ship + Code + Leave + Covered + Open;

    /// <summary>The layers that need nobody any more.</summary>
    public int Decided => Total - Open;

    /// <summary>Counts layers; the layer of the screen itself is not among them.</summary>
    /// <param name="layers">The layers, those around before those in them.</param>
    /// <param name="mark">What was said of a layer.</param>
    public static Progress Of(IReadOnlyList<Layer> layers, Func<Layer, Mark> mark)
    {
        int ship = 0, code = 0, leave = 0, covered = 0, open = 0;
        var inside = new Dictionary<Layer, bool>(layers.Count);
        var settled = new Dictionary<Layer, bool>(layers.Count);
        foreach (var layer in layers)
        {
            inside[layer] = layer.Parent is { } around && (Covers(around, mark) || (inside.TryGetValue(around, out var known) ? known : CoveredBy(around, mark) is not null));
        }
        // From the inside out: a group is settled when all in it is.
        for (var i = layers.Count - 1; i >= 0; i--)
        {
            var layer = layers[i];
            var decision = mark(layer).Decision;
            var isSettled = decision != Decision.Open || inside[layer]
                || (layer.Children.Count > 0 && layer.Children.All(child => settled.TryGetValue(child, out var known) ? known : IsSettled(child, mark)));
            settled[layer] = isSettled;
            if (layer.Content == LayerContent.Screen)
            {
                continue;
            }
            switch (decision)
            {
                case Decision.Ship: ship++; break;
                case Decision.Code: code++; break;
                case Decision.Leave: leave++; break;
                case Decision.Open when isSettled: covered++; break;
                default: open++; break;
            }
        }
        return new(ship, code, leave, covered, open);
    }

    /// <summary>True when an open layer needs no decision: it lies in a shipped or left one, or all in it is settled.</summary>
    public static bool IsSettled(Layer layer, Func<Layer, Mark> mark) =>
        mark(layer).Decision != Decision.Open
        || CoveredBy(layer, mark) is not null
        || (layer.Children.Count > 0 && layer.Children.All(child => IsSettled(child, mark)));

    /// <summary>The nearest shipped or left layer around this one, without the screen as a whole; or null.</summary>
    public static Layer? CoveredBy(Layer layer, Func<Layer, Mark> mark) => layer.Ancestors()
        .FirstOrDefault(a => Covers(a, mark));

    /// <summary>True for a shipped or left layer that settles what lies in it; the screen as a whole does not.</summary>
    public static bool Covers(Layer layer, Func<Layer, Mark> mark) => layer.Content != LayerContent.Screen && mark(layer).Decision is Decision.Ship or Decision.Leave;
}
