using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Arranging;

/// <summary>Applies an arrangement to a drawing as it was read.</summary>
public static class Arranger
{
    /// <summary>The drawing with its screens and layers as arranged. Ordinals of drawn layers stay; made layers follow behind them.</summary>
    public static DrawingTree Apply(DrawingTree drawing, Arrangement arrangement)
    {
        if (arrangement.IsNone)
        {
            return drawing;
        }
        var count = drawing.Layers.Length;
        var screens = arrangement.Screens.IsEmpty
            ? drawing.Screens.Select(s => new ArrangedScreen(s.Name, s.Box, s.Root.Ordinal)).ToImmutableArray()
            : [.. arrangement.Screens.Where(s => s.Root >= 0 && s.Root < count + arrangement.Made.Length)];
        var roots = screens.Select(s => s.Root).ToHashSet();
        var parents = PlanParents(drawing, arrangement);
        var made = new Layer?[count + arrangement.Made.Length];
        for (var ordinal = 0; ordinal < made.Length; ordinal++)
        {
            Make(ordinal);
        }
        var layers = made.Select(l => l!).ToImmutableArray();
        foreach (var layer in layers.OrderBy(PlaceInFile))
        {
            layer.Parent?.ChildList.Add(layer);
        }
        return drawing.With(layers, [.. screens.Select(s => new Screen(s.Name, s.Box, layers[s.Root]))]);

        Layer Make(int ordinal)
        {
            if (made[ordinal] is { } there)
            {
                return there;
            }
            var parent = parents[ordinal] is { } p ? Make(p) : null;
            if (ordinal < count)
            {
                var drawn = drawing.Layers[ordinal];
                return made[ordinal] = new()
                {
                    Ordinal = ordinal,
                    Parent = parent,
                    DrawnParent = drawn.Parent is null ? null : Make(drawn.Parent.Ordinal),
                    Name = drawn.Name,
                    TagText = drawn.TagText,
                    NameSource = drawn.NameSource,
                    Content = roots.Contains(ordinal) ? LayerContent.Screen
                        : drawn.Content == LayerContent.Screen && ordinal > 0 && drawn.ViewBox is null ? LayerContent.Group : drawn.Content,
                    Element = drawn.Element,
                    Hidden = drawn.Hidden,
                    Locked = drawn.Locked,
                    Guide = drawn.Guide,
                    ViewBox = drawn.ViewBox,
                };
            }
            var spec = arrangement.Made[ordinal - count];
            return made[ordinal] = new()
            {
                Ordinal = ordinal,
                Parent = parent,
                Name = spec.Name,
                NameSource = spec.Frame is null ? NameSource.None : NameSource.Given,
                Content = spec.Frame is null ? LayerContent.Group : LayerContent.Screen,
                Element = spec.Gone || spec.Frame is not null ? drawing.Root
                    : new("g", [], OnlyMembers((parent ?? drawing.Layers[0]).Element, [.. spec.Members.Select(m => drawing.Layers[m].Element)])),
                Hidden = false,
                Locked = false,
                Guide = false,
                ViewBox = spec.Frame,
                Combined = spec.Frame is null && !spec.Gone,
            };
        }

        // A made layer stands where the first of its members stood.
        int PlaceInFile(Layer layer) => layer.Ordinal < count || arrangement.Made[layer.Ordinal - count] is not { Members: [var first, ..] } ? layer.Ordinal : first;
    }

    /// <summary>Puts layers together into one. Layers that were put together before are taken in with all that is in them.</summary>
    /// <returns>The new arrangement and the ordinal of the new layer.</returns>
    /// <exception cref="ArrangingRefusedException">There are fewer than two, or one lies in another.</exception>
    public static (Arrangement Arrangement, int Ordinal) Combine(DrawingTree drawing, Arrangement arrangement, IReadOnlyCollection<int> layers, string name)
    {
        var count = drawing.Layers.Length;
        var gone = layers.Where(o => o >= count).Select(o => o - count).ToHashSet();
        var members = layers.SelectMany(o => o < count ? [o] : arrangement.Made[o - count].Members.AsEnumerable()).Distinct().Order().ToImmutableArray();
        var picked = members.ToHashSet();
        // A layer inside another picked one comes along anyway.
        members = [.. members.Where(m => !drawing.Layers[m].Ancestors().Any(a => picked.Contains(a.Ordinal)))];
        if (members.Length < 2)
        {
            throw new ArrangingRefusedException("Pick two or more layers that lie beside one another; those inside a picked group are in it already.");
        }
        if (members.Any(m => drawing.Layers[m].Parent is null || drawing.Layers[m].Content == LayerContent.Screen))
        {
            throw new ArrangingRefusedException("A screen cannot be put together with other layers. Pick layers on one screen.");
        }
        var taken = arrangement.Made.SelectMany((m, i) => m.Gone || gone.Contains(i) ? [] : m.Members.AsEnumerable()).ToHashSet();
        if (members.FirstOrDefault(taken.Contains, -1) is >= 0 and var twice)
        {
            throw new ArrangingRefusedException($"“{drawing.Layers[twice].Name}” is put together with others already. Pick that combination instead, or take it apart first.");
        }
        var made = arrangement.Made.Select((m, i) => gone.Contains(i) ? m with { Gone = true } : m).ToImmutableArray();
        return (arrangement with { Made = made.Add(new(name, members, null)) }, count + made.Length);
    }

    /// <summary>Takes layers apart that were put together.</summary>
    public static Arrangement TakeApart(DrawingTree drawing, Arrangement arrangement, IReadOnlyCollection<int> layers) => arrangement with
    {
        Made = [.. arrangement.Made.Select((m, i) => m.Frame is null && layers.Contains(drawing.Layers.Length + i) ? m with { Gone = true } : m)],
    };

    private static int?[] PlanParents(DrawingTree drawing, Arrangement arrangement)
    {
        var count = drawing.Layers.Length;
        var parents = new int?[count + arrangement.Made.Length];
        foreach (var layer in drawing.Layers)
        {
            parents[layer.Ordinal] = layer.Parent?.Ordinal;
        }
        for (var i = 0; i < arrangement.Made.Length; i++)
        {
            if (arrangement.Made[i] is { Gone: false, Frame: null, Members: var members })
            {
                parents[count + i] = NearestAround(drawing, members);
                foreach (var member in members)
                {
                    parents[member] = count + i;
                }
            }
        }
        return parents;
    }

    private static int NearestAround(DrawingTree drawing, ImmutableArray<int> members)
    {
        var around = drawing.Layers[members[0]].Ancestors().Select(a => a.Ordinal).ToList();
        foreach (var member in members.Skip(1))
        {
            var others = drawing.Layers[member].Ancestors().Select(a => a.Ordinal).ToHashSet();
            around.RemoveAll(o => !others.Contains(o));
        }
        return around[0];
    }

    private static ImmutableArray<Node> OnlyMembers(Element around, HashSet<Element> members)
    {
        var kept = ImmutableArray.CreateBuilder<Node>();
        foreach (var child in around.Elements)
        {
            if (members.Contains(child))
            {
                kept.Add(child);
            }
            else if (child.SelfAndDescendants().Any(members.Contains))
            {
                kept.Add(child.With(child.Attributes, OnlyMembers(child, members)));
            }
        }
        return kept.ToImmutable();
    }
}
