using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Deciding;

/// <summary>Finds the layers that show one button in its states, by tag or by the last word of their names.</summary>
public static class StateSets
{
    /// <summary>The sets of a drawing, by each of their layers. A state alone is no set unless it was tagged.</summary>
    public static IReadOnlyDictionary<Layer, StateSet> Of(DrawingTree drawing, Func<Layer, Mark> mark)
    {
        var found = new Dictionary<(Layer? Parent, string Name), List<(Layer Layer, string State, bool Tagged)>>();
        foreach (var layer in drawing.Layers)
        {
            if (layer.Parent is null || layer.Content is LayerContent.Text or LayerContent.Screen || StateOf(layer, mark) is not var (state, words))
            {
                continue;
            }
            var key = (layer.Parent, string.Join('-', words));
            if (!found.TryGetValue(key, out var members))
            {
                found[key] = members = [];
            }
            members.Add((layer, state, mark(layer).Tags.State is not null));
        }
        var sets = new Dictionary<Layer, StateSet>();
        foreach (var ((_, name), members) in found)
        {
            if (members.Count > 1 || members[0].Tagged)
            {
                var set = new StateSet([.. name.Split('-', StringSplitOptions.RemoveEmptyEntries)], [.. members.Select(m => (m.Layer, m.State)).OrderBy(m => States.All.IndexOf(m.State))]);
                foreach (var (layer, _, _) in members)
                {
                    sets[layer] = set;
                }
            }
        }
        return sets;
    }

    /// <summary>The state that a layer shows by its tag or name, and the words of its button's name; null for a layer of none.</summary>
    public static (string State, IReadOnlyList<string> Words)? StateOf(Layer layer, Func<Layer, Mark> mark)
    {
        var said = mark(layer);
        if (said.Tags.State is null && !States.MayEnd(said.NameOf(layer)))
        {
            return null;
        }
        var words = NameWords.Split(said.NameOf(layer));
        var named = words.Count > 0 ? States.Of(words[^1]) : null;
        if ((said.Tags.State ?? named) is not { } state)
        {
            return null;
        }
        if (named is not null)
        {
            words = [.. words.SkipLast(1)];
        }
        else if (said.ShipName is null && DefaultNames.IsNotNamed(layer))
        {
            words = [];
        }
        // A layer that is only called “hover” belongs to the group it lies in.
        return (state, words.Count > 0 ? words : NameWords.Split(mark(layer.Parent!).NameOf(layer.Parent!)));
    }

    private static int IndexOf(this IReadOnlyList<string> list, string value)
    {
        for (var i = 0; i < list.Count; i++)
        {
            if (list[i] == value)
            {
                return i;
            }
        }
        return -1;
    }
}
