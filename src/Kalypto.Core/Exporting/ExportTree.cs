using Kalypto.Core.Designs;
using Kalypto.Core.Exporting.SvgRules;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Exporting;

/// <summary>A layer on its way out: the definitions that it refers to, and itself inside what is around it. Made anew for each file, for writers change it.</summary>
public sealed class ExportTree
{
    private ExportTree(IEnumerable<ExportNode> definitions, ExportNode drawn)
    {
        Definitions = [.. definitions];
        Drawn = drawn;
        foreach (var node in All.ToList())
        {
            new StylesAsAttributes().Apply(node, 0);
            PlainGeometry.Apply(node);
        }
    }

    /// <summary>True for a picture that stands for what shapes cannot show.</summary>
    public bool IsPicture { get; private init; }

    /// <summary>The definitions, each by itself.</summary>
    internal List<ExportNode> Definitions { get; }

    /// <summary>The layer.</summary>
    internal ExportNode Drawn { get; }

    /// <summary>The definitions and the layer.</summary>
    internal IEnumerable<ExportNode> All => Definitions.Append(Drawn);

    /// <summary>A layer.</summary>
    /// <param name="isolation">The layer.</param>
    /// <param name="links">The files that stand for <see cref="Isolation.Pictures"/>, in their order; empty to embed them.</param>
    public static ExportTree Of(Isolation isolation, IReadOnlyList<string>? links = null)
    {
        var (definitions, drawn) = isolation.ToElements();
        var tree = new ExportTree(definitions.Select(ExportNode.Of), ExportNode.Of(drawn));
        tree.DefineOnce();
        if (links is { Count: > 0 })
        {
            var names = isolation.Pictures.Zip(links).ToDictionary(p => p.First.Href, p => p.Second);
            foreach (var image in tree.All.SelectMany(n => n.SelfAndDescendants()).Where(n => n.Name == "image"))
            {
                image["href"] = image["href"] is { } href && names.TryGetValue(href, out var name) ? name : image["href"];
            }
        }
        return tree;
    }

    /// <summary>A picture of a layer, for what shapes cannot show.</summary>
    /// <param name="png">The picture.</param>
    /// <param name="box">Where it lies, in drawing units.</param>
    public static ExportTree OfPicture(byte[] png, Box box) => new([], new("image")
    {
        ["x"] = Numbers.Text(box.X, 6),
        ["y"] = Numbers.Text(box.Y, 6),
        ["width"] = Numbers.Text(box.Width, 6),
        ["height"] = Numbers.Text(box.Height, 6),
        ["preserveAspectRatio"] = "none",
        ["href"] = "data:image/png;base64," + Convert.ToBase64String(png),
    })
    {
        IsPicture = true,
    };

    // What is referred to may lie in the layer itself, or in another definition: there it is defined already, and an id may stand only once.
    private void DefineOnce()
    {
        HashSet<string> IdsIn(ExportNode node) => [.. node.SelfAndDescendants().Select(n => n["id"]).OfType<string>()];
        var inside = All.Select(IdsIn).ToList();
        string? IdOf(ExportNode definition) => definition.SelfAndDescendants().Select(n => n["id"]).FirstOrDefault(id => id is not null);
        var holders = new Dictionary<string, int>(StringComparer.Ordinal);
        foreach (var ids in inside)
        {
            foreach (var id in ids)
            {
                holders[id] = holders.GetValueOrDefault(id) + 1;
            }
        }
        var at = 0;
        Definitions.RemoveAll(d => IdOf(d) is var id && inside[at++] is var ids && id is not null && holders[id] > 1 && Drop(ids));

        bool Drop(HashSet<string> ids)
        {
            foreach (var id in ids)
            {
                holders[id]--;
            }
            return true;
        }
    }
}
