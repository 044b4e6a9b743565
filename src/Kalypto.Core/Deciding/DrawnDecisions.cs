using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Deciding;

/// <summary>What is decided in the drawing itself: a layer with a format in the brackets behind its name ships.</summary>
public static class DrawnDecisions
{
    /// <summary>The layers that ship, by ordinal. Those whose brackets have a word that is not understood are none of them, nor are guides.</summary>
    public static IEnumerable<int> ShippedBy(DrawingTree drawing, RecipeBook book) => !book.DrawingDecides ? [] : drawing.Layers.Where(l => !l.Guide && NamesFormat(l, book)).Select(l => l.Ordinal);

    private static bool NamesFormat(Layer layer, RecipeBook book) => layer.TagText is { } text && TagLine.Parse(text, book.OwnKinds) is { Mistakes.IsEmpty: true } line && line.ApplyTo(Tags.Empty).Formats.Any(f => f.Value.Made);
}
