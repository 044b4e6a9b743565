namespace Kalypto.Core.Styling.Code;

/// <summary>Writes the values of a layer as the developers of one platform type them.</summary>
public interface IValueCode
{
    /// <summary>A short name for data: <c>css</c>.</summary>
    string Id { get; }

    /// <summary>The name for people.</summary>
    string Name { get; }

    /// <summary>The code, lines with <c>\n</c>, none at the end.</summary>
    /// <param name="values">The values.</param>
    /// <param name="name">What the layer is called, words joined by hyphens.</param>
    /// <param name="tokens">What values are called.</param>
    string Write(LayerValues values, string name, ITokenNames tokens);
}
