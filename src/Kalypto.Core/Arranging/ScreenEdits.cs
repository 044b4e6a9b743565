using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Arranging;

/// <summary>Changes to the screens of an arranged drawing.</summary>
/// <param name="drawing">The drawing as it was read.</param>
/// <param name="arrangement">How it is arranged.</param>
public sealed class ScreenEdits(DrawingTree drawing, Arrangement arrangement)
{
    private const int MostScreens = 500;
    private const int LongestName = 80;

    /// <summary>The screens as they are now.</summary>
    public ImmutableArray<ArrangedScreen> Screens => !arrangement.Screens.IsEmpty ? arrangement.Screens
        : [.. drawing.Screens.Select(s => new ArrangedScreen(s.Name, s.Box, s.Root.Ordinal))];

    /// <summary>Gives a screen a name; a number is added where another screen has it already.</summary>
    /// <exception cref="ArrangingRefusedException">The name is empty or there is no such screen.</exception>
    public Arrangement Rename(int root, string name)
    {
        name = name.Trim();
        if (name.Length == 0)
        {
            throw new ArrangingRefusedException("A screen needs a name of at least one letter.");
        }
        var at = Find(root);
        return With(Screens.SetItem(at, Screens[at] with { Name = Unique(name, Screens.RemoveAt(at)) }));
    }

    /// <summary>Moves a screen to another place in the order.</summary>
    /// <param name="root">The layer that stands for it.</param>
    /// <param name="to">Its new place, from 0; beyond the ends means at the end.</param>
    public Arrangement Move(int root, int to)
    {
        var at = Find(root);
        var rest = Screens.RemoveAt(at);
        return With(rest.Insert(Math.Clamp(to, 0, rest.Length), Screens[at]));
    }

    /// <summary>Changes the rectangle of a screen.</summary>
    public Arrangement Reframe(int root, Box box)
    {
        var at = Find(root);
        return With(Screens.SetItem(at, Screens[at] with { Box = Checked(box) }));
    }

    /// <summary>Takes a screen away; the whole drawing becomes the screen when none is left.</summary>
    public Arrangement Remove(int root)
    {
        var rest = Screens.RemoveAt(Find(root));
        return With(rest.IsEmpty ? [new(drawing.Layers[0].Name, drawing.Box, 0)] : rest);
    }

    /// <summary>Makes screens instead of those that there are.</summary>
    public Arrangement Split(IReadOnlyList<NewScreen> wanted) => Add(wanted, []);

    /// <summary>Adds a screen. The whole drawing stops being a screen when it was the only one.</summary>
    public Arrangement Add(NewScreen wanted) => Add([wanted], Screens is [{ Root: 0 }] ? [] : Screens);

    private Arrangement Add(IReadOnlyList<NewScreen> wanted, ImmutableArray<ArrangedScreen> kept)
    {
        if (kept.Length + wanted.Count is 0 or > MostScreens)
        {
            throw new ArrangingRefusedException($"A drawing has from 1 to {MostScreens} screens.");
        }
        var made = arrangement.Made;
        foreach (var screen in wanted)
        {
            var name = Unique(screen.Name.Trim() is { Length: > 0 } typed ? typed : $"Screen {kept.Length + 1}", kept);
            var box = Checked(screen.Box);
            if (screen.Layer is { } layer)
            {
                if (layer < 0 || layer >= drawing.Layers.Length || kept.Any(s => s.Root == layer))
                {
                    throw new ArrangingRefusedException("This layer is a screen already, or is not there any more.");
                }
                kept = kept.Add(new(name, box, layer));
            }
            else
            {
                kept = kept.Add(new(name, box, drawing.Layers.Length + made.Length));
                made = made.Add(new(name, [], box));
            }
        }
        return new(kept, made);
    }

    private Arrangement With(ImmutableArray<ArrangedScreen> screens) => arrangement with { Screens = screens };

    private int Find(int root)
    {
        var screens = Screens;
        for (var i = 0; i < screens.Length; i++)
        {
            if (screens[i].Root == root)
            {
                return i;
            }
        }
        throw new ArrangingRefusedException("This screen is not there any more. Load the page again.");
    }

    private Box Checked(Box box)
    {
        var inside = box.Intersect(drawing.Box);
        return inside.Width >= 1 && inside.Height >= 1 && double.IsFinite(box.X + box.Y + box.Width + box.Height) ? inside
            : throw new ArrangingRefusedException("A screen needs a rectangle of at least 1 × 1 inside the drawing.");
    }

    private static string Unique(string name, ImmutableArray<ArrangedScreen> others)
    {
        var taken = others.Select(s => s.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return FreeName.Of(PlainText.Clean(name, LongestName), taken.Contains, " ");
    }
}
