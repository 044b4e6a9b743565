using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Comparing;

/// <summary>What is different between two drafts of a design.</summary>
/// <param name="Changes">What is to be told, in the order of the later draft, what is gone behind it.</param>
/// <param name="Same">How many layers are the same.</param>
public sealed record DraftChanges(ImmutableArray<LayerChange> Changes, int Same)
{
    private const double Moved = 0.5;

    /// <summary>Compares two drafts.</summary>
    /// <param name="old">The earlier one.</param>
    /// <param name="now">The later one.</param>
    /// <param name="pairs">How the layers of the later one were paired.</param>
    /// <param name="ships">Ordinals of layers of the later draft that become pictures: what changed in one is told of it as a whole.</param>
    public static DraftChanges Of(DraftDrawing old, DraftDrawing now, ImmutableArray<KeptPair> pairs, IReadOnlySet<int> ships)
    {
        var numbers = new Dictionary<string, int>(StringComparer.Ordinal);
        var pairing = new Pairing(new(old.Measured, numbers), new(now.Measured, numbers));
        var said = pairs.ToDictionary(p => p.New);
        for (var o = 0; o < pairing.New.Count; o++)
        {
            if (old.Lineages.OrdinalOf(now.Lineages.Of(o)) is { } before)
            {
                pairing.Pair(before, o, PairGrade.Sure, PairReason.Unchanged);
            }
        }
        pairing.Moves.Measure();
        var asked = said.Values.Where(p => p.Grade == PairGrade.Unsure && pairing.ToOld[p.New] < 0).Select(p => (p.New, Old: old.Lineages.OrdinalOf(p.Old)))
            .Where(p => p.Old is { } o && pairing.ToNew[o] < 0).ToDictionary(p => p.New, p => p.Old!.Value);
        var isAsked = asked.Values.ToHashSet();
        var folded = new HashSet<int>();
        var changed = new HashSet<int>();
        for (var o = pairing.New.Count - 1; o > 0; o--)
        {
            Fold(o, OwnerOf(pairing.New, o), pairing.ToOld[o] < 0 && !asked.ContainsKey(o) || pairing.ToOld[o] is >= 0 and var a && IsChanged(a, o));
        }
        for (var o = 1; o < pairing.Old.Count; o++)
        {
            if (pairing.ToNew[o] < 0 && !isAsked.Contains(o) && OwnerOf(pairing.Old, o) is var owner && owner != o && pairing.ToNew[owner] is >= 0 and var there)
            {
                changed.Add(there);
            }
        }
        var told = ImmutableArray.CreateBuilder<LayerChange>();
        var same = 0;
        for (var o = 1; o < pairing.New.Count; o++)
        {
            if (folded.Contains(o) || ChangeOf(o) is not { } change)
            {
                continue;
            }
            if (change.IsSame)
            {
                same++;
            }
            else
            {
                told.Add(change);
            }
        }
        for (var o = 1; o < pairing.Old.Count; o++)
        {
            // With what it lies in goes what lies in it.
            var around = pairing.Old.Parent[o];
            var owner = OwnerOf(pairing.Old, o);
            if (pairing.ToNew[o] < 0 && !isAsked.Contains(o) && (around <= 0 || pairing.ToNew[around] >= 0) && (owner == o || pairing.ToNew[owner] < 0))
            {
                told.Add(new(o, null));
            }
        }
        return new(told.ToImmutable(), same);

        // What changed in a picture that ships is told of the picture; a shape without a name, of the group that it lies in.
        void Fold(int o, int owner, bool isChanged)
        {
            if (owner != o && pairing.ToOld[owner] >= 0 && isChanged)
            {
                folded.Add(o);
                changed.Add(owner);
            }
        }

        int OwnerOf(Traits traits, int o)
        {
            var owner = o;
            while (traits.Layers[owner].NameSource == NameSource.None && traits.Parent[owner] is > 0 and var around && traits.Layers[around].Content == LayerContent.Group)
            {
                owner = around;
            }
            return traits.Layers[owner].Ancestors().LastOrDefault(l => traits == pairing.New ? ships.Contains(l.Ordinal) : pairing.ToNew[l.Ordinal] is >= 0 and var there && ships.Contains(there))?.Ordinal ?? owner;
        }

        LayerChange? ChangeOf(int o)
        {
            if (asked.TryGetValue(o, out var candidate))
            {
                return new(candidate, o) { IsAsked = true, Grade = PairGrade.Unsure, Reason = said[o].Reason, Redrawn = HowOf(candidate, o) };
            }
            var around = pairing.New.Parent[o];
            var a = pairing.ToOld[o];
            if (a < 0)
            {
                return around > 0 && pairing.ToOld[around] < 0 ? null : new(null, o);
            }
            var pair = said.GetValueOrDefault(o, new(o, 0, PairGrade.Sure, PairReason.Unchanged));
            var insideShipped = pairing.New.Layers[o].Ancestors().Any(l => ships.Contains(l.Ordinal));
            return new(a, o)
            {
                Grade = pair.Grade,
                Reason = pair.Reason,
                Redrawn = insideShipped || !changed.Contains(o) && !IsChanged(a, o) ? Redrawing.None : HowOf(a, o) is var how && how == Redrawing.None ? Redrawing.Inside : how,
                IsMoved = !insideShipped && IsMoved(a, o),
                IsRenamed = IsRenamed(pairing.Old.Layers[a], pairing.New.Layers[o]),
            };
        }

        bool IsChanged(int a, int o) => !pairing.New.IsContainer(o) || !pairing.Old.IsContainer(a) || ships.Contains(o)
            ? pairing.Old.Print[a] != pairing.New.Print[o] && !IsDrawnLarger(a, o) : pairing.Old.Own[a] != pairing.New.Own[o];

        Redrawing HowOf(int a, int o) => pairing.Old.Print[a] == pairing.New.Print[o] ? Redrawing.None : pairing.New.Layers[o].Content switch
        {
            LayerContent.Text when pairing.Old.Outline[a] != pairing.New.Outline[o] => Redrawing.Words,
            LayerContent.Image => Redrawing.Picture,
            _ when pairing.Old.Outline[a] == pairing.New.Outline[o] && IsSameGeometry(a, o) => pairing.Old.Form[a] == pairing.New.Form[o] ? Redrawing.Size : Redrawing.Paints,
            LayerContent.Group or LayerContent.Screen => Redrawing.Inside,
            _ => Redrawing.Form,
        };

        // The whole drawn at another size is not a change of each part.
        bool IsDrawnLarger(int a, int o) => pairing.Moves.Scale != 1 && pairing.Old.Form[a] == pairing.New.Form[o] && pairing.Old.Outline[a] == pairing.New.Outline[o] && IsSameGeometry(a, o);

        bool IsSameGeometry(int a, int o) => SameGeometry.Of(pairing.Old.Layers[a].Element, pairing.New.Layers[o].Element);

        bool IsMoved(int a, int o)
        {
            var around = pairing.PairedAround(a);
            if (around >= 0 && !pairing.New.Holds(pairing.ToNew[around], o))
            {
                return true;
            }
            if (pairing.New.Box[o] is not { } here || pairing.Old.Box[a] is null || pairing.Old.Layers[a].ViewBox is not null)
            {
                return false;
            }
            var there = pairing.Moves.Of(a).First();
            // A thing that grew where it was is not moved.
            return !Touches(there.X, here.X, there.Right, here.Right, there.X + there.Width / 2, here.X + here.Width / 2)
                || !Touches(there.Y, here.Y, there.Bottom, here.Bottom, there.Y + there.Height / 2, here.Y + here.Height / 2);
        }
    }

    private static bool Touches(double fromStart, double toStart, double fromEnd, double toEnd, double fromMiddle, double toMiddle) =>
        Math.Abs(fromStart - toStart) <= Moved || Math.Abs(fromEnd - toEnd) <= Moved || Math.Abs(fromMiddle - toMiddle) <= Moved;

    // Words that a text is called by are told as a change.
    private static bool IsRenamed(Layer old, Layer now) =>
        now.NameSource is NameSource.Given or NameSource.Id && old.NameSource is NameSource.Given or NameSource.Id && old.Name != now.Name
        // A program counts its own names anew.
        && !(DefaultNames.IsNotNamed(old) && DefaultNames.IsNotNamed(now));
}
