using Kalypto.Store.People;

namespace Kalypto.Web.Accounts;

/// <summary>An account while Identity works on it; what comes of it is kept as a row.</summary>
public sealed class Account
{
    /// <summary>The row.</summary>
    public required PersonRow Row { get; set; }
}
