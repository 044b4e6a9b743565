using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Identity;

namespace Kalypto.Web.Accounts;

/// <summary>The parts of Identity that accounts are made of.</summary>
internal static class AccountServices
{
    public static IServiceCollection AddAccounts(this IServiceCollection services, AccountOptions options)
    {
        services.AddIdentityCore<Account>(o =>
        {
            (o.Password.RequireDigit, o.Password.RequireLowercase, o.Password.RequireUppercase, o.Password.RequireNonAlphanumeric) = (false, false, false, false);
            (o.Password.RequiredLength, o.Password.RequiredUniqueChars) = (Passwords.Shortest, 1);
            // The name is the address, which is looked at before.
            o.User.AllowedUserNameCharacters = "";
        }).AddUserStore<AccountStore>().AddPasswordValidator<EasyPasswords>().AddTokenProvider<AuthenticatorTokenProvider<Account>>(TokenOptions.DefaultAuthenticatorProvider);
        return services.AddSingleton(options).AddSingleton<Callers>().AddSingleton<Audit>().AddScoped<SignIns>().AddScoped<SecondFactors>();
    }
}
