namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Drops properties that say what holds anyway: because it is so by itself, or because it is said around it already.</summary>
internal sealed class NoDefaults : ISvgRule
{
    private static readonly Dictionary<string, string> Zero = new() { ["x"] = "0", ["y"] = "0", ["cx"] = "0", ["cy"] = "0", ["x1"] = "0", ["y1"] = "0", ["y2"] = "0" };

    public void Apply(ExportNode root, int decimals) => Walk(root, new Dictionary<string, string>(Properties.Inherited));

    private static void Walk(ExportNode node, Dictionary<string, string> around)
    {
        var here = around;
        // A definition is reached from elsewhere; what it says itself it keeps.
        var keep = node["id"] is not null;
        foreach (var (name, value) in node.Attributes.ToList())
        {
            if (Properties.Inherited.ContainsKey(name))
            {
                var said = value is "inherit" ? around[name] : Plain(name, value);
                if (said == around[name] && !keep && node.Name is not "symbol" || value == "inherit")
                {
                    node[name] = null;
                }
                else
                {
                    here = ReferenceEquals(here, around) ? new(around) : here;
                    here[name] = said;
                }
            }
            else if (Properties.OfItself.TryGetValue(name, out var usual) && Plain(name, value) == usual)
            {
                node[name] = null;
            }
            else if (name == "transform" && Designs.Matrix.Parse(value) == Designs.Matrix.Identity)
            {
                node[name] = null;
            }
            else if (node.Name is "rect" or "circle" or "ellipse" or "use" or "image" or "line" && Zero.TryGetValue(name, out var zero) && value == zero)
            {
                node[name] = null;
            }
        }
        // What says how to stroke says nothing where nothing is stroked.
        if (Properties.Shapes.Contains(node.Name))
        {
            if (here["stroke"] == "none")
            {
                node.Attributes.RemoveAll(a => a.Key.StartsWith("stroke-", StringComparison.Ordinal));
            }
            if (here["fill"] == "none")
            {
                node.Attributes.RemoveAll(a => a.Key.StartsWith("fill-", StringComparison.Ordinal));
            }
            node.Attributes.RemoveAll(a => a.Key.StartsWith("font-", StringComparison.Ordinal) || a.Key is "letter-spacing" or "text-anchor" or "word-spacing" or "line-height" or "white-space");
        }
        foreach (var child in node.Elements)
        {
            // What lies in definitions inherits from where it is defined.
            Walk(child, here);
        }
    }

    private static string Plain(string name, string value) => Properties.Colours.Contains(name) && Designs.Colour.Parse(value) is { Alpha: 1 } colour ? colour.ToShortText() : value;
}
