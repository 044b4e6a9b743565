using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>Writes tokens as constants for one platform.</summary>
internal interface ITokenWriter
{
    /// <summary>The id of the platform.</summary>
    string Platform { get; }

    /// <summary>Where the file goes in the pack.</summary>
    string Path { get; }

    /// <summary>The file.</summary>
    string Write(IReadOnlyList<Token> tokens, CodeStyle code);
}
