using Kalypto.Application.Opening;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Web.Models;

/// <summary>Says of a layer which values hold, and whence each comes.</summary>
internal static class HeldValues
{
    /// <summary>The values, those that differ between platforms once for each.</summary>
    public static IReadOnlyList<HeldValue> Of(Workspace workspace, DesignState state, Layer layer)
    {
        var kind = state.KindOf(layer);
        var own = state.MarkOf(layer).Tags.Kind;
        var values = new List<HeldValue>
        {
            new("kind", kind, own is not null ? "said here" : state.SaidOf(layer).Tags.Kind is not null ? "written in the drawing" : "from what it is made of", own is not null),
        };
        var platforms = workspace.Platforms.Count == 0
            ? [(Making: state.MakingOf(layer, null), Holding: state.HoldingOf(layer, null), Name: "")]
            : workspace.Platforms.Select(p => (Making: state.MakingOf(layer, p.Id), Holding: state.HoldingOf(layer, p.Id), p.Name)).ToList();
        void Add(string name, Func<Making, string> value, Func<Holding, Origin> origin)
        {
            var groups = platforms.GroupBy(p => (Value: value(p.Making), Origin: origin(p.Holding))).ToList();
            foreach (var group in groups)
            {
                var on = string.Join(", ", group.Select(p => p.Name));
                values.Add(new(groups.Count == 1 ? name : $"{name} · {on}", group.Key.Value, Whence(group.Key.Origin, kind, on), group.Key.Origin == Origin.Tag));
            }
        }
        Add("made as", m => m.Formats.IsEmpty ? "nothing" : string.Join(' ', m.Formats), h => h.Formats);
        Add("sizes", Sizes, h => h.Sizes);
        Add("crop", m => m.Crop.ToString()!, h => h.Crop);
        if (platforms.Any(p => p.Making.Bleed > 0))
        {
            Add("bleed", m => $"{Numbers.Text(m.Bleed)} pt", h => h.Bleed);
        }
        Add("folder", m => m.Folder.IsEmpty ? "none" : m.FolderPath + "/", h => h.Folder);
        if (platforms.Any(p => p.Making.Suffix is not null))
        {
            Add("suffix", m => m.Suffix ?? "none", h => h.Suffix);
        }
        if (platforms.Any(p => p.Making.Ground is not Ground.Nothing))
        {
            Add("over", m => m.Ground.ToString()!, h => h.Ground);
        }
        if (platforms.Any(p => p.Making.Prefix is not null))
        {
            Add("prefix", m => m.Prefix ?? "none", h => h.Prefix);
        }
        if (platforms.Any(p => p.Making.Tint is not null))
        {
            Add("tint", m => m.Tint switch { true => "takes the colour around it", false => "keeps its colour", _ => "not said" }, h => h.Tint);
        }
        if (platforms.Any(p => p.Making.Mirror))
        {
            Add("right to left", m => m.Mirror ? "turned round" : "as it is", h => h.Mirror);
        }
        if (platforms.Any(p => p.Making.P3))
        {
            Add("colours", m => m.P3 ? "Display P3 where it has any beyond sRGB" : "sRGB", h => h.P3);
        }
        if (platforms.Any(p => p.Making.Stretch is not null))
        {
            Add("stretches", m => m.Stretch switch { null => "does not", { Edges.IsEmpty: true } => "its middle, found in the drawing", var stretch => $"all but {stretch} pt at its edges" }, h => h.Stretch);
        }
        if (platforms.Any(p => p.Making.Alt is not null))
        {
            Add("read aloud", m => m.Alt switch { null => "its name", "" => "nothing", var alt => alt }, h => h.Alt);
        }
        Add("credit", m => m.Credit ? "written" : "not written", h => h.Credit);
        return values;
    }

    private static string Whence(Origin origin, string kind, string platforms) => origin switch
    {
        Origin.Tag => "said here",
        Origin.Group => "said of its group",
        Origin.Drawing => "written in the drawing",
        Origin.PlatformRecipe => $"recipe for {kind} on {platforms}",
        Origin.KindRecipe => $"recipe for {kind}",
        Origin.Project => "said of every kind",
        _ => "as usual",
    };

    private static string Sizes(Making making)
    {
        var sizes = making.Scales.Select(s => s.ToString()).Concat(making.Wide.Select(w => $"{w} px wide")).Concat(making.Tall.Select(t => $"{t} px tall")).ToList();
        return sizes.Count == 0 ? "the platform's own" : string.Join(", ", sizes);
    }
}
