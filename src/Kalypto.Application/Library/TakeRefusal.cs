namespace Kalypto.Application.Library;

/// <summary>Why a layer of the library was not brought in.</summary>
public enum TakeRefusal
{
    /// <summary>It was.</summary>
    None,

    /// <summary>It is not in the library any more.</summary>
    NotThere,

    /// <summary>It is of the same project.</summary>
    Own,

    /// <summary>The project has it already, as it is now.</summary>
    ThereAlready,

    /// <summary>What was said when it was delivered is not kept any more.</summary>
    NotKept,

    /// <summary>The project is put away or not there any more.</summary>
    NoChange,
}
