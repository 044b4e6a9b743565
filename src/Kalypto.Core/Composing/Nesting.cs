using Kalypto.Core.Designs;

namespace Kalypto.Core.Composing;

/// <summary>Finds what lies in what: a piece lies in the smallest box beneath it that holds all of it.</summary>
public static class Nesting
{
    // pt: what a piece may stick out of the box that it lies in.
    private const double Slack = 0.75;

    /// <summary>The pieces that lie in each piece, and under -1 those that lie in none; by their numbers, in the order that they are painted.</summary>
    /// <param name="pieces">From the bottom to the top.</param>
    public static ILookup<int, int> Of(IReadOnlyList<Piece> pieces)
    {
        // Smallest first, so that the first that holds a piece is the one; of equal ones the upper one.
        var grounds = Enumerable.Range(0, pieces.Count).Where(i => pieces[i].IsGround).OrderBy(i => pieces[i].Box.Width * pieces[i].Box.Height).ThenByDescending(i => i).ToList();
        return Enumerable.Range(0, pieces.Count).ToLookup(i => grounds.FirstOrDefault(g => g < i && Holds(pieces[g].Box, pieces[i].Box), -1));
    }

    private static bool Holds(Box outer, Box inner) => inner.X >= outer.X - Slack && inner.Y >= outer.Y - Slack && inner.Right <= outer.Right + Slack && inner.Bottom <= outer.Bottom + Slack;
}
