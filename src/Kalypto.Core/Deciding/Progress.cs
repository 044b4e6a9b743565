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
    public static Progress Of(IEnumerable<Layer> layers, Func<Layer, Mark> mark)
    {
        int ship = 0, code = 0, leave = 0, covered = 0, open = 0;
        foreach (var layer in layers.Where(l => l.Content != LayerContent.Screen))
        {
            switch (mark(layer).Decision)
            {
                case Decision.Ship: ship++; break;
                case Decision.Code: code++; break;
                case Decision.Leave: leave++; break;
                case Decision.Open when IsSettled(layer, mark): covered++; break;
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
        .FirstOrDefault(a => a.Content != LayerContent.Screen && mark(a).Decision is Decision.Ship or Decision.Leave);
}
