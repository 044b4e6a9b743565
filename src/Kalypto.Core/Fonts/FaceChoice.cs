namespace Kalypto.Core.Fonts;

/// <summary>Chooses the face of a family that draws words, as browsers do (CSS Fonts 4, section 5.2).</summary>
public static class FaceChoice
{
    /// <summary>The face; null where there are none.</summary>
    /// <param name="faces">The faces of a family.</param>
    /// <param name="font">The font of a face.</param>
    /// <param name="weight">The weight that is asked for, from 1 to 1000.</param>
    /// <param name="isItalic">True where a slanted face is asked for.</param>
    public static T? Of<T>(IEnumerable<T> faces, Func<T, Font> font, int weight, bool isItalic) where T : struct
    {
        T? best = null;
        (double Stretch, int Slant, int Weight) least = (double.MaxValue, 0, 0);
        foreach (var face in faces)
        {
            var f = font(face);
            var rank = (Math.Abs(f.Stretch - 100), f.IsItalic == isItalic ? 0 : 1, Distance(f, weight));
            if (rank.CompareTo(least) < 0)
            {
                (best, least) = (face, rank);
            }
        }
        return best;
    }

    // Light weights look for lighter ones first, heavy ones for heavier, 400 and 500 for one another.
    private static int Distance(Font font, int weight)
    {
        var nearest = Math.Clamp(weight, font.Lightest, font.Heaviest);
        var isWanted = weight < 400 ? nearest <= weight : weight > 500 ? nearest >= weight : nearest is >= 400 and <= 500;
        return Math.Abs(nearest - weight) + (isWanted ? 0 : 1000);
    }
}
