using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>Whether a layer lies where the other should lie by now.</summary>
internal static class PlaceEvidence
{
    private const double Exactly = 7;
    private const double Near = 5;
    private const double Far = -2;
    // Less where its neighbours went another way.
    private const double AnotherWay = 2;
    private const double Smallest = 12;
    private const double Same = 0.01;

    public static double Weigh(Pairing pairing, int a, int b)
    {
        if (pairing.New.Box[b] is not { } now)
        {
            return pairing.Old.Box[a] is null ? 0 : Far;
        }
        var best = Far;
        var less = 0.0;
        foreach (var then in pairing.Moves.Of(a))
        {
            var distance = Distance(then, now, pairing.Moves.Scale);
            best = Math.Max(best, (distance < Same ? Exactly : Near - 6 * distance) - less);
            less = AnotherWay;
        }
        return best;
    }

    /// <summary>How far the middles are apart and how much the sides differ, in sizes of the larger one.</summary>
    public static double Distance(Box a, Box b, double scale)
    {
        var (width, height) = (Math.Max(Smallest * scale, Math.Max(a.Width, b.Width)), Math.Max(Smallest * scale, Math.Max(a.Height, b.Height)));
        return Math.Abs(a.X + a.Width / 2 - b.X - b.Width / 2) / width + Math.Abs(a.Y + a.Height / 2 - b.Y - b.Height / 2) / height
            + (Math.Abs(a.Width - b.Width) / width + Math.Abs(a.Height - b.Height) / height) / 2;
    }
}
