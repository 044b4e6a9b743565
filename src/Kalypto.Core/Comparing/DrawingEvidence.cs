using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>The same drawing, the same form in other paints or another size, or at least the same sort of thing.</summary>
internal static class DrawingEvidence
{
    private const double OtherKind = -5;
    private const double Redrawn = -2.5;
    // Of what holds others its inside says more.
    private const double ChangedInside = -0.5;
    private const double MostOwn = 3;
    private const double OtherOwn = -2;
    private const double Outlined = -1;
    private const double SamePlace = 3;

    public static double Weigh(Pairing pairing, int a, int b)
    {
        var (old, now) = (pairing.Old, pairing.New);
        if (old.Print[a] == now.Print[b])
        {
            return 1 + pairing.Rarity.Of(old.Print[a]);
        }
        var of = (old.Layers[a].Content, now.Layers[b].Content);
        if (of.Item1 != of.Item2)
        {
            // Words turned into outlines stay where they were.
            if (IsOutlined(of.Item1, of.Item2) && PlaceEvidence.Weigh(pairing, a, b) > SamePlace)
            {
                return Outlined;
            }
            return old.IsContainer(a) && now.IsContainer(b) ? -1 : Redrawing(of.Item1) && Redrawing(of.Item2) ? OtherKind / 2 : OtherKind;
        }
        if (old.Form[a] == now.Form[b])
        {
            return -0.5 + 0.6 * pairing.Rarity.Of(old.Form[a]);
        }
        if (old.Outline[a] == now.Outline[b])
        {
            return -1 + 0.6 * pairing.Rarity.Of(old.Outline[a]);
        }
        return old.IsContainer(a) ? ChangedInside + (old.Own[a] == now.Own[b] ? Math.Min(MostOwn, pairing.Rarity.Of(old.Own[a])) : OtherOwn) : of.Item1 is LayerContent.Text or LayerContent.Image ? -1 : Redrawn;
    }

    private static bool IsOutlined(LayerContent one, LayerContent two) => one == LayerContent.Text && two is (LayerContent.Shape or LayerContent.Group) || two == LayerContent.Text && one is (LayerContent.Shape or LayerContent.Group);

    // An icon of one shape is drawn anew with several, or the reverse.
    private static bool Redrawing(LayerContent content) => content is LayerContent.Group or LayerContent.Shape or LayerContent.Repeat;
}
