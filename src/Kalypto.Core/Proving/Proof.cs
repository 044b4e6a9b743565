using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Rendering;

namespace Kalypto.Core.Proving;

/// <summary>
/// Draws a screen by both engines and finds the smallest layers that are responsible for what differs: suspects are drawn again
/// without all that is around them, many that lie apart at once. What only a whole group gets wrong, such as an effect on it, is
/// found in the group.
/// </summary>
public sealed class Proof
{
    /// <summary>A layer of which more than this share of its ink is other is drawn exactly.</summary>
    public const double Most = 0.01;

    // Whole numbers: edges that lie on pixels at every scale of a file do so here.
    private const int CloseScale = 2;
    private const double ClosePixels = 3_000_000;

    // Beyond these many a comparison takes minutes: it is made once and a second time. Beyond the last it is smaller than it was
    // drawn, for such drawings count in parts of a millimetre.
    private const double ManyPixels = 16_000_000;
    private const double MostPixels = 64_000_000;
    private const double FarPixels = 4_000_000;

    // Each takes about as long as the first comparison. Layers that nothing speaks against are drawn alone in the first ones only.
    private const int MostRounds = 4;
    private const int RoundsOfAll = 2;
    private const int MostAtOnce = 400;

    // Fewer pixels than these, or a smaller share of a layer's box, are what engines round differently.
    private const int LeastPixels = 6;
    private const double LeastOfBox = 0.0015;

    private static readonly IReadOnlySet<int> NoLayers = ImmutableHashSet<int>.Empty;
    private readonly IRenderer renderer;
    private readonly MeasuredDrawing drawing;
    private readonly Screen screen;
    private readonly Box frame;
    private readonly double scale;
    private readonly HashSet<int> apart;
    private readonly PixelBox whole;
    private readonly List<ProvenLayer> proven = [];
    private Differences left;

    private Proof(IRenderer renderer, MeasuredDrawing drawing, Screen screen)
    {
        (this.renderer, this.drawing, this.screen) = (renderer, drawing, screen);
        frame = screen.Box.SnapOutwards(1e-6);
        var units = frame.Width * frame.Height;
        scale = units * CloseScale * CloseScale <= ClosePixels ? CloseScale : units <= MostPixels ? 1 : 1 / Math.Ceiling(Math.Sqrt(units / FarPixels));
        whole = WholeAt(scale);
        apart = [.. drawing.Drawn.Screens.Where(s => s.Root != screen.Root && s.Root.ViewBox is null && s.Root.Ancestors().Contains(screen.Root)).Select(s => s.Root.Ordinal)];
        left = Differences.None(0, 0);
    }

    /// <summary>What of a drawing is proved: its screens and, where layers lie on none of them, the whole drawing.</summary>
    public static IReadOnlyList<Screen> ScreensOf(DrawingTree drawn)
    {
        var (whole, screens) = (drawn.Layers[0], drawn.Screens.Where(s => s.Root.ViewBox is null).ToList());
        return screens.Exists(s => s.Root == whole) || whole.Children.All(c => screens.Exists(s => s.Root == c)) ? screens : [.. screens, new(whole.Name, drawn.Box, whole)];
    }

    /// <summary>Proves a screen.</summary>
    /// <param name="renderer">Both engines.</param>
    /// <param name="drawing">The drawing as it was read; its own layers and screens are proved, whatever is arranged.</param>
    /// <param name="screen">One of its screens.</param>
    /// <param name="cancel">Ends it.</param>
    /// <returns>The proof, or what could not be drawn.</returns>
    public static Task<(ScreenProof? Proof, Drawn? Failure)> OfAsync(IRenderer renderer, MeasuredDrawing drawing, Screen screen, CancellationToken cancel) =>
        new Proof(renderer, drawing, screen).RunAsync(cancel);

    private async Task<(ScreenProof? Proof, Drawn? Failure)> RunAsync(CancellationToken cancel)
    {
        var rounds = (double)whole.Width * whole.Height > ManyPixels ? 1 : MostRounds;
        // Screens inside are proved by themselves.
        ILookup<bool, (Layer Layer, PixelBox Place)> ToProve() => screen.Root.SelfAndDescendants().Where(l => l != screen.Root && l.ViewBox is null && !l.HiddenHere && drawing.ShapeOf(l) is not null && !IsApart(l))
            .Select(l => (Layer: l, Place: Place(l, scale))).Where(l => l.Place.Meets(whole)).ToLookup(l => l.Layer.Children.Count > 0);
        var layers = ToProve();
        var (all, failure) = await CompareAsync(apart, apart.Count == 0 ? null : [.. layers[false]], scale, cancel);
        if (failure?.IsSlow == true)
        {
            // What takes too long is mostly known to need the exact engine, and so no proof: the rest is proved without it.
            apart.UnionWith(screen.Root.SelfAndDescendants().Where(l => l.Children.Count == 0 && drawing.Isolate(l, NoLayers).IsBeyondByItself).Select(l => l.Ordinal));
            layers = ToProve();
            (all, failure) = await CompareAsync(apart, [.. layers[false]], scale, cancel);
        }
        if (all is null)
        {
            return (null, failure);
        }
        left = all;
        foreach (var areGroups in new[] { false, true })
        {
            var open = layers[areGroups].ToList();
            // Drawn by itself only a browser draws a part of such a group right: that says nothing of it on its screen.
            open.RemoveAll(l => drawing.Isolate(l.Layer, NoLayers) is { IsBeyondByItself: false, Beyond.IsEmpty: false });
            // What is known needs no proof, and explains what differs where it lies.
            foreach (var known in open.Where(l => left.CountIn(l.Place).Other > 0 && !drawing.Isolate(l.Layer, NoLayers).Beyond.IsEmpty).ToList())
            {
                left = left.Without(known.Place);
                open.Remove(known);
            }
            for (var round = 0; round < rounds && Shown(open, withAll: !areGroups && round < RoundsOfAll) is { Count: > 0 } shown; round++)
            {
                var without = AllBut(shown);
                // Thin lines may be other at the smallest size only; what nothing speaks against is looked at in that one.
                var isClose = scale > 1 && shown.Exists(s => left.CountIn(s.Place).Other >= LeastPixels);
                double[] scales = isClose ? [Math.Min(1, scale), scale] : [Math.Min(1, scale)];
                var compared = await Task.WhenAll(scales.Select(at => CompareAsync(without, shown, at, cancel)));
                var ((small, why), (alone, whyAlone)) = (compared[0], compared[^1]);
                if (alone is null || small is null)
                {
                    return (null, why ?? whyAlone);
                }
                foreach (var layer in shown)
                {
                    open.Remove(layer);
                    // What nothing on the screen speaks against may be off by twice as much, which nobody sees.
                    var most = left.CountIn(layer.Place).Other >= LeastPixels ? Most : 2 * Most;
                    var share = Math.Max(ReferenceEquals(alone, small) ? 0 : ShareOf(alone, layer.Place, most), ShareOf(small, Place(layer.Layer, Math.Min(1, scale)), scale <= 1 ? most : 2 * Most));
                    if (share > 0)
                    {
                        proven.Add(new(layer.Layer.Ordinal, share));
                        left = left.Without(layer.Place);
                    }
                }
            }
        }
        // What is drawn exactly may lie elsewhere than the quick engine has measured it: what is other counts only where it is so without that too.
        if (left.Count >= LeastPixels && DrawnExactly() is { Count: > 0 } exactly && (await CompareAsync(exactly.Union(apart).ToHashSet(), null, scale, cancel)).Found is { } rest)
        {
            left = left.And(rest);
        }
        return (new([.. proven], all, left), null);

        static double ShareOf(Differences found, PixelBox place, double most) =>
            found.CountIn(place) is var (other, inked) && other >= LeastPixels && other > most * inked ? (double)other / inked : 0;
    }

    /// <summary>
    /// Layers of which none is in the way of another: those in whose place much differs first, and then the small ones, for what is
    /// hardly seen on its screen may be seen alone.
    /// </summary>
    private List<(Layer Layer, PixelBox Place)> Shown(List<(Layer Layer, PixelBox Place)> open, bool withAll)
    {
        var shown = new List<(Layer Layer, PixelBox Place)>();
        var suspects = open.Where(l => left.CountIn(l.Place).Other is var other && other >= LeastPixels && other >= LeastOfBox * Area(l.Place)).OrderByDescending(l => left.CountIn(l.Place).Other / Area(l.Place));
        foreach (var layer in withAll ? suspects.Concat(open.OrderBy(l => Area(l.Place))) : suspects)
        {
            if (shown.Count < MostAtOnce && !shown.Exists(f => f.Place.Meets(layer.Place)))
            {
                shown.Add(layer);
            }
        }
        return shown;

        static double Area(PixelBox place) => (double)place.Width * place.Height;
    }

    /// <summary>The largest layers that hold none of some layers and lie in none of them.</summary>
    private HashSet<int> AllBut(List<(Layer Layer, PixelBox Place)> shown)
    {
        var (kept, around) = (shown.Select(s => s.Layer).ToHashSet(), shown.SelectMany(s => s.Layer.Ancestors()).ToHashSet());
        var gone = new HashSet<int>(apart);
        var open = new Stack<Layer>([screen.Root]);
        while (open.TryPop(out var layer))
        {
            foreach (var child in layer.Children.Where(c => !kept.Contains(c)))
            {
                if (around.Contains(child))
                {
                    open.Push(child);
                }
                else
                {
                    gone.Add(child.Ordinal);
                }
            }
        }
        return gone;
    }

    /// <summary>The smallest layers of the screen that the exact engine draws, known by their features or proven.</summary>
    private HashSet<int> DrawnExactly()
    {
        var (found, shown) = (new HashSet<int>(), proven.Select(p => p.Ordinal).ToHashSet());
        var open = new Stack<Layer>([screen.Root]);
        while (open.TryPop(out var layer))
        {
            var isBeyond = shown.Contains(layer.Ordinal) || drawing.Isolate(layer, NoLayers).IsBeyondByItself;
            var inside = layer.Children.Where(c => shown.Contains(c.Ordinal) || c.SelfAndDescendants().Any(d => shown.Contains(d.Ordinal)) || drawing.Isolate(c, NoLayers).IsBeyondByItself).ToList();
            if (isBeyond && layer != screen.Root && (inside.Count == 0 || shown.Contains(layer.Ordinal) || layer.Element.Beyond is not null))
            {
                found.Add(layer.Ordinal);
            }
            else
            {
                inside.ForEach(open.Push);
            }
        }
        return found;
    }

    private bool IsApart(Layer layer) => apart.Count > 0 && (apart.Contains(layer.Ordinal) || layer.Ancestors().Any(a => apart.Contains(a.Ordinal)));

    private PixelBox WholeAt(double at) => new(0, 0, (int)Math.Ceiling(frame.Width * at), (int)Math.Ceiling(frame.Height * at));

    // Where a layer is seen, in px of the compared pictures.
    private PixelBox Place(Layer layer, double at)
    {
        var shape = drawing.ShapeOf(layer)!.Value;
        var reach = drawing.Isolate(layer, NoLayers).HasFilter ? Math.Max(16, Math.Max(shape.Width, shape.Height) / 4) : 1.0 / at;
        var seen = shape.Inflate(reach);
        return new((int)Math.Floor((seen.X - frame.X) * at), (int)Math.Floor((seen.Y - frame.Y) * at), (int)Math.Ceiling((seen.Right - frame.X) * at), (int)Math.Ceiling((seen.Bottom - frame.Y) * at));
    }

    private Task<(Differences? Found, Drawn? Failure)> CompareAsync(IReadOnlySet<int> without, List<(Layer Layer, PixelBox Place)>? shown, double at, CancellationToken cancel) =>
        BothEngines.CompareAsync(renderer, Isolation.Of(drawing.Drawn, screen.Root, without, () => drawing.WholeOf(screen.Root)), (frame.X, frame.Y), at, WholeAt(at), shown?.Select(s => Place(s.Layer, at)).ToList(), cancel);
}
