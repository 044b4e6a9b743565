using System.Text;

namespace Kalypto.Core.Shapes;

/// <summary>Writes path data exactly, for rules that go on with it.</summary>
internal static class PathText
{
    public static string Of(IEnumerable<PathSegment> segments)
    {
        var text = new StringBuilder();
        foreach (var (command, values) in segments)
        {
            text.Append(command).AppendJoin(' ', values.Select(v => v.ToString("R", System.Globalization.CultureInfo.InvariantCulture)));
        }
        return text.ToString();
    }
}
